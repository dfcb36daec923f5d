<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Attempt } from '../../lib/attempt.svelte';
  import { when } from '../../lib/format';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { length, percent, times } from './levels';

  /** Where of the last days' footage it is worth looking. */
  let { camera, busy, ontake }: { camera: string; busy: boolean; ontake: (from: Date, until: Date) => void } =
    $props();

  type By = 'starts' | 'longest' | 'level' | 'hour';
  const BY: Record<By, string> = {
    starts: 'motion began most often',
    longest: 'something moved longest',
    level: 'the level was highest',
    hour: 'at an hour of the day',
  };
  let by = $state<By>('starts');
  let hour = $state(22);
  let found = $state.raw<Schemas['FootageMoment'][] | undefined>();
  const work = new Attempt();

  function look(e: SubmitEvent) {
    e.preventDefault();
    found = undefined;
    void work.run(async () => {
      found = await ask(
        api.GET('/api/v1/moments', {
          params: { query: { camera, by, days: 3, ...(by === 'hour' ? { hour } : {}) } },
        }),
      );
    });
  }
</script>

<h3 class="mt-6 mb-2 font-semibold">Where to look in the last three days</h3>
<form class="flex flex-wrap items-end gap-3" onsubmit={look}>
  <label class="text-sm"
    >Where<br /><select class="field" name="by" bind:value={by}>
      {#each Object.entries(BY) as [key, word] (key)}<option value={key}>{word}</option>{/each}
    </select></label
  >
  {#if by === 'hour'}
    <label class="text-sm"
      >Hour<br /><input
        type="number"
        name="hour"
        class="field w-20"
        bind:value={hour}
        min="0"
        max="23"
        required
      /></label
    >
  {/if}
  <button class="act" disabled={work.busy}>{work.busy ? 'Looking …' : 'Find'}</button>
</form>
<Trouble error={work.error} />
{#if found}
  {#if found.length === 0}
    <p class="mt-2 text-sm text-faint">Nothing moved then of which there is footage.</p>
  {:else}
    <ul class="mt-3 space-y-1 text-sm">
      {#each found as m (m.from)}
        <li>
          <button
            class="text-accent tabular-nums underline"
            disabled={busy}
            onclick={() => ontake(new Date(m.from), new Date(m.until))}>{when(m.from)}</button
          >
          <span class="text-faint"
            >{m.level === undefined ? '' : `up to ${percent(m.level)}; `}motion began {times(m.starts)}, for {length(
              m.movedSeconds,
            )} of {length((Date.parse(m.until) - Date.parse(m.from)) / 1000)}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
{/if}
