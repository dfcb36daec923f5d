<script lang="ts">
  import { api, ask, type Schemas } from '../lib/api/client';
  import { Attempt } from '../lib/attempt.svelte';
  import { count } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { cameraPath } from '../router';
  import { percent } from './tune/levels';

  /** One motion setting for the cameras of a group that have marked clips, and who of them needs their own. */
  let { select }: { select: string } = $props();

  let found = $state.raw<Schemas['GroupSuggestionView'] | undefined>();
  const work = new Attempt();
  const search = () =>
    work.run(async () => {
      found = await ask(api.POST('/api/v1/group-suggestions', { body: { select } }));
    });
  const rows = $derived([
    ...(found?.own ?? []).map((m) => ({ m, own: true })),
    ...(found?.served ?? []).map((m) => ({ m, own: false })),
  ]);
</script>

<Allowed to="TECHNICIAN">
  <section class="mt-10" aria-labelledby="one-setting">
    <h2 id="one-setting" class="text-lg font-semibold">One motion setting for all of them</h2>
    <p class="mt-1 max-w-[75ch] text-sm text-faint">
      All settings are tried on the clips of these cameras on which something is marked as wanted.
    </p>
    <button class="act mt-3" disabled={work.busy} onclick={() => void search()}
      >{work.busy ? 'Trying all settings …' : 'Find it'}</button
    >
    <div class="mt-3"><Trouble error={work.error} /></div>
    {#if found}
      <p class="max-w-[75ch]">{found.said}</p>
      {#if rows.length > 0}
        <div class="mt-3 overflow-x-auto">
          <table class="w-full min-w-[640px] text-sm">
            <Heads titles={['Camera', 'With the one setting', 'Its own best', 'With its own']} />
            <tbody>
              {#each rows as { m, own } (m.camera)}
                <tr class="border-b border-line/60 {own ? 'font-semibold' : ''}">
                  <td class="py-1 pr-4"
                    ><a href={cameraPath(m.camera)}>{m.label}</a>
                    <span class="native text-faint">{m.camera}</span></td
                  >
                  <td class="py-1 pr-4 tabular-nums {own ? 'text-loss' : ''}"
                    >{m.missed} missed, {count(m.falseStarts, 'false start')}</td
                  >
                  <td class="native py-1 pr-4">{m.own.sensitivity} · {percent(m.own.threshold)}</td>
                  <td class="py-1 text-faint tabular-nums"
                    >{m.ownMissed} missed, {count(m.ownFalseStarts, 'false start')}</td
                  >
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {/if}
      {#each found.left as why (why)}<p class="mt-1 text-sm text-faint">Not looked at: {why}</p>{/each}
    {/if}
  </section>
</Allowed>
