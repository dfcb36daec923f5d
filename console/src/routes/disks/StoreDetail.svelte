<script lang="ts">
  import { bytes, count } from '../../lib/format';
  import Allowed from '../../lib/ui/Allowed.svelte';
  import { amount, storeName, TRIGGERS, type Store } from './room';

  let { store, onsize }: { store: Store; onsize: () => void } = $props();

  const sides = $derived([
    { word: 'As recorders are set', load: store.now.load },
    { word: 'Once policy is given out', load: store.then.load },
  ]);
</script>

<div class="grid gap-6 py-3 text-sm md:grid-cols-2">
  <section>
    <h3 class="head mb-1">Put on it each day</h3>
    <table class="w-full">
      <tbody>
        {#each sides as side (side.word)}
          <tr class="align-top">
            <th class="py-1 pr-4 text-left font-normal text-faint" scope="row">{side.word}</th>
            <td class="py-1">
              {amount(side.load.allBytesADay)}
              <div class="mt-1 flex flex-wrap gap-x-4">
                {#each Object.entries(side.load.bytesADay) as [by, range] (by)}
                  <span class="flex items-center gap-1.5 text-faint">
                    <span
                      class="inline-block h-3 w-4 rounded-[2px] {TRIGGERS[by]?.texture}"
                      aria-hidden="true"
                    ></span>
                    {TRIGGERS[by]?.word}
                    {bytes(range.likely ?? 0)}
                  </span>
                {/each}
              </div>
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="mt-2 text-xs text-faint">
      {count(store.cameras, 'camera')}, {store.basis}.
    </p>
  </section>
  <section>
    <h3 class="head mb-1">More room</h3>
    {#if store.bytesMissing !== undefined}
      <p>
        For {store.then.wanted} days: {bytes(store.bytesMissing)} more of disk, or
        {bytes(store.bytesADayTooMany ?? 0)} a day less.
      </p>
    {/if}
    {#if store.daysATerabyte !== undefined}
      <p class="text-faint">Each further TB brings {store.daysATerabyte.toLocaleString('en-GB')} days.</p>
    {/if}
    <ul class="mt-1 list-disc pl-4">
      {#each store.savings as saving (saving.what)}
        <li>
          {saving.words}: {bytes(saving.bytesADay)} a day less{saving.days !== undefined
            ? `, ${Math.floor(saving.days).toLocaleString('en-GB')} days`
            : ''}
        </li>
      {/each}
    </ul>
    <Allowed to="EDITOR">
      <button class="act mt-3" onclick={onsize}>
        {store.size?.basis === 'SAID' ? 'Correct its size' : 'Say how large it is'}<span class="sr-only"
          >, {storeName(store)}</span
        >
      </button>
    </Allowed>
  </section>
</div>
