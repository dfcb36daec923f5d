<script lang="ts">
  import { untrack } from 'svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Attempt } from '../../lib/attempt.svelte';
  import { segments } from '../../lib/camera';
  import { count, when } from '../../lib/format';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { clock, instantAt } from './levels';
  import WhereToLook from './WhereToLook.svelte';

  /** Which footage to look at: a clip that is kept, a stretch by the clock, or a moment at which the recorder saw motion. */
  let {
    camera,
    zone,
    onclip,
  }: { camera: string; zone: string; onclip: (clip: Schemas['ClipView']) => void } = $props();

  const PADDING = 60_000;
  const today = $derived(new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(new Date()));
  let date = $state(untrack(() => today));
  let time = $state(untrack(() => clock(Date.now() - 3600_000, zone).slice(0, 5)));
  let minutes = $state(10);
  const taking = new Attempt();

  const kept = createQuery(() => ({
    queryKey: ['clips', camera],
    queryFn: () => ask(api.GET('/api/v1/clips', { params: { query: { select: `camera:"${camera}"` } } })),
  }));
  const history = createQuery(() => ({
    queryKey: ['history', camera, date],
    enabled: date !== '',
    retry: false,
    queryFn: () => {
      const from = instantAt(date, '00:00', zone);
      const until = new Date(Math.min(Date.now(), from.getTime() + 24 * 3600_000));
      return ask(
        api.GET('/api/v1/cameras/{recorder}/{channel}/history', {
          params: { path: segments(camera), query: { from: from.toISOString(), until: until.toISOString() } },
        }),
      );
    },
  }));
  const moments = $derived(history.data?.motion ?? []);

  const take = (from: Date, until: Date) =>
    taking.run(async () => {
      onclip(
        await ask(
          api.POST('/api/v1/clips', {
            body: {
              camera,
              from: from.toISOString(),
              until: new Date(Math.min(until.getTime(), Date.now())).toISOString(),
            },
          }),
        ),
      );
    });

  function look(e: Event) {
    e.preventDefault();
    const from = instantAt(date, time, zone);
    void take(from, new Date(from.getTime() + minutes * 60_000));
  }
</script>

<form class="flex flex-wrap items-end gap-3" onsubmit={look}>
  <label class="text-sm"
    >Day<br /><input type="date" class="field" bind:value={date} max={today} required /></label
  >
  <label class="text-sm"
    >From<br /><input type="time" class="field" bind:value={time} step="1" required /></label
  >
  <label class="text-sm"
    >Minutes<br /><input
      type="number"
      class="field w-20"
      bind:value={minutes}
      min="1"
      max="30"
      required
    /></label
  >
  <button class="act act-main" disabled={taking.busy}
    >{taking.busy ? 'Fetching the footage …' : 'Look'}</button
  >
</form>
<div class="mt-3"><Trouble error={taking.error} /></div>
<p class="mt-1 text-xs text-faint">
  By the recorder’s wall clock ({zone}). What nobody keeps goes after an hour.
</p>

{#if kept.data && kept.data.length > 0}
  <h3 class="mt-6 mb-2 font-semibold">Kept</h3>
  <ul class="space-y-1 text-sm">
    {#each kept.data as clip (clip.id)}
      <li>
        <button class="text-accent underline" onclick={() => onclip(clip)}>{when(clip.from)}</button>
        <span class="text-faint"
          >{clip.because}; {count(clip.marks.length, 'mark')}{clip.tried === 'before'
            ? '; the policy has changed since it was last tried'
            : clip.tried === 'never'
              ? '; not tried yet'
              : ''}</span
        >
      </li>
    {/each}
  </ul>
{/if}

<WhereToLook {camera} busy={taking.busy} ontake={(from, until) => void take(from, until)} />

<h3 class="mt-6 mb-2 font-semibold">When the recorder saw motion on that day</h3>
{#if history.isError}
  <p class="text-sm text-faint">Not known: {history.error.message}</p>
{:else if history.data && history.data.motion === undefined}
  <p class="text-sm text-faint">The recorder does not tell.</p>
{:else if history.data && moments.length === 0}
  <p class="text-sm text-faint">Never.</p>
{:else}
  <ul class="flex flex-wrap gap-1.5">
    {#each moments.slice(-60) as m (m.from)}
      <li>
        <button
          class="act px-2 py-0.5 text-sm tabular-nums"
          disabled={taking.busy}
          onclick={() =>
            take(new Date(Date.parse(m.from) - PADDING), new Date(Date.parse(m.until) + PADDING))}
          >{clock(Date.parse(m.from), zone)}</button
        >
      </li>
    {/each}
  </ul>
{/if}
