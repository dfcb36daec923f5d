<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import { percent } from './tune/levels';

  /** What a change does to the moments that were marked as wanted; those that it would lose are confirmed one by one. */
  let { proof, confirmed = $bindable() }: { proof: Schemas['Proof']; confirmed?: string[] | undefined } =
    $props();

  const fresh = $derived(proof.lost.filter((l) => l.caughtNow));
</script>

{#if proof.wanted > 0}
  <section
    aria-label="What is wanted"
    class="mb-6 rounded-md border p-4 {fresh.length > 0
      ? 'border-loss bg-loss-wash'
      : 'border-line bg-raised'}"
  >
    {#if proof.lost.length === 0}
      <p class="font-semibold">
        {proof.wanted === 1 ? 'The wanted moment' : `All ${proof.wanted} wanted moments`} on kept clips would be
        caught.
      </p>
    {:else}
      <p class="font-semibold">
        Would miss {proof.lost.length} of {count(proof.wanted, 'wanted moment')}
      </p>
      <ul class="mt-2 space-y-1 text-sm">
        {#each proof.lost as l (l.name + l.at)}
          <li>
            {#if l.caughtNow && confirmed}
              <label class="flex items-start gap-2"
                ><input type="checkbox" class="mt-1" value={l.name} bind:group={confirmed} /><span
                  ><span class="font-semibold">{l.name}</span>, {when(l.at)}: its level is {percent(l.level)},
                  the threshold {percent(l.threshold)}; it may be missed</span
                ></label
              >
            {:else}
              <span class="font-semibold">{l.name}</span>, {when(l.at)}: its level is {percent(l.level)}, the
              threshold {percent(l.threshold)}{l.caughtNow ? '' : '; missed already'}
            {/if}
          </li>
        {/each}
      </ul>
      {#if fresh.length > 0 && confirmed}
        <p class="mt-2 text-xs text-faint">Each has to be ticked before this is given out.</p>
      {/if}
    {/if}
  </section>
{/if}
{#each proof.untried as why (why)}
  <p class="mb-2 text-sm text-faint">Not tried: {why}</p>
{/each}
