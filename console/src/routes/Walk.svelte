<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { Attempt } from '../lib/attempt.svelte';
  import { named } from '../lib/camera';
  import { count } from '../lib/format';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { cameraPath, p, route } from '../router';
  import { percent } from './tune/levels';

  /** For whoever walks: start, press at each place, stop, and see what would have triggered. */
  const path = $derived({ recorder: route.params.recorder ?? '', channel: route.params.channel ?? '' });
  const name = $derived(named(path));
  const camera = createQuery(() => ({
    queryKey: ['camera', name],
    queryFn: () => ask(api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path } })),
  }));

  let walk = $state.raw<Schemas['WalkView'] | undefined>();
  let clip = $state.raw<Schemas['ClipView'] | undefined>();
  let trial = $state.raw<Schemas['TrialOfClip'] | undefined>();
  let suggestion = $state.raw<Schemas['SuggestionView'] | undefined>();
  let thresholds = $state.raw<number[]>([]);
  let word = $state('');
  const work = new Attempt();

  // Pictures take a moment to come.
  $effect(() => {
    const id = walk?.id;
    if (id === undefined || walk?.pictures || clip) {
      return;
    }
    const timer = setInterval(() => {
      void ask(api.GET('/api/v1/walks/{id}', { params: { path: { id } } })).then(
        (found) => (walk = found),
        (e: Error) => (work.error = e),
      );
    }, 700);
    return () => clearInterval(timer);
  });

  const start = () =>
    work.run(async () => {
      clip = undefined;
      trial = undefined;
      suggestion = undefined;
      walk = await ask(api.POST('/api/v1/walks', { body: { camera: name } }));
    });

  const here = () =>
    work.run(async () => {
      walk = await ask(
        api.POST('/api/v1/walks/{id}/moments', { params: { path: { id: walk!.id } }, body: { word } }),
      );
      word = '';
    });

  const stop = () =>
    work.run(async () => {
      const id = walk!.id;
      walk = undefined;
      clip = await ask(api.POST('/api/v1/walks/{id}/stop', { params: { path: { id } } }));
      const tried = await ask(api.POST('/api/v1/trials', { body: { clips: [clip.id] } }));
      trial = tried.clips[0];
      if (trial?.reports.some((r) => r.missed > 0)) {
        thresholds = (await ask(api.GET('/api/v1/tuning', { params: { query: { camera: name } } })))
          .thresholds;
        suggestion = await ask(api.POST('/api/v1/suggestions', { body: { clips: [clip.id] } }));
      }
    });

  const first = $derived(trial?.reports[0]);
  /** The largest threshold that the device can hold and that catches all, with everything else as it is. */
  const enough = $derived.by(() => {
    const weakest = first?.wanted[0]?.level ?? 0;
    const below = thresholds.filter((t) => t <= weakest);
    return below.length > 0 ? Math.max(...below) : undefined;
  });
  const missed = $derived(first?.wanted.filter((m) => !m.over) ?? []);
</script>

<Page
  question="Does {camera.data?.row.label ?? name} see you?"
  answer={walk
    ? walk.pictures
      ? 'Walk, and press at each place.'
      : 'Waiting for the camera’s pictures …'
    : first
      ? first.wanted.length === 0
        ? 'No moment was pressed while there were pictures.'
        : missed.length === 0
          ? `Yes: all ${count(first.wanted.length, 'moment')} would trigger with what the policy asks.`
          : `${missed.length} of ${count(first.wanted.length, 'moment')} would be missed with what the policy asks.`
      : 'Start, walk before the camera, press at each distance, stop.'}
>
  {#snippet act()}
    <a class="act no-underline" href={cameraPath(name)}>The camera</a>
  {/snippet}
  <Trouble error={work.error} />
  {#if walk}
    <form
      class="grid max-w-[420px] gap-3"
      onsubmit={(e) => {
        e.preventDefault();
        void here();
      }}
    >
      <label class="text-sm"
        >Where you are<br /><input
          class="field w-full text-lg"
          bind:value={word}
          maxlength="80"
          placeholder="70 m, by the crane"
        /></label
      >
      <button class="act act-main h-28 text-2xl" disabled={work.busy || !walk.pictures}>Here</button>
      <button type="button" class="act h-14 text-lg" disabled={work.busy} onclick={() => void stop()}
        >Stop</button
      >
    </form>
    <ol class="mt-4 list-decimal pl-6 text-sm">
      {#each walk.moments as m (m.at)}
        <li>{new Date(m.at).toLocaleTimeString()} {m.word}</li>
      {/each}
    </ol>
  {:else}
    <button
      class="act {clip ? '' : 'act-main'} h-14 px-8 text-lg"
      disabled={work.busy}
      onclick={() => void start()}>{work.busy ? 'One moment …' : clip ? 'Walk again' : 'Start'}</button
    >
  {/if}
  {#if clip && first}
    <ul class="mt-6 max-w-[560px] divide-y divide-line border-y border-line">
      {#each first.wanted as m (m.from)}
        <li class="flex items-baseline justify-between gap-4 py-2">
          <span class="min-w-0"
            ><span class="font-semibold {m.over ? '' : 'text-loss'}"
              >{m.over ? 'would trigger' : 'missed'}</span
            >
            {m.word || new Date(m.from).toLocaleTimeString()}</span
          >
          <span class="text-sm whitespace-nowrap text-faint tabular-nums"
            >{percent(m.level)} of {percent(first.setting.threshold)}</span
          >
        </li>
      {/each}
    </ul>
    {#if missed.length > 0 && enough !== undefined}
      <p class="mt-4 max-w-[60ch]">
        The least change that would catch {missed.length === 1 ? 'it' : 'them'}: a threshold of {percent(
          enough,
        )} instead of {percent(first.setting.threshold)}.
      </p>
    {:else if suggestion?.best && suggestion.best.missed === 0}
      <p class="mt-4 max-w-[60ch]">
        Sensitivity {suggestion.best.setting.sensitivity} with a threshold of {percent(
          suggestion.best.setting.threshold,
        )} would catch them all.
      </p>
    {:else if suggestion}
      <p class="mt-4 max-w-[60ch]">{suggestion.said}</p>
    {/if}
    <p class="mt-4">
      <a href={p('/cameras/:recorder/:channel/tune', { params: path }) + `?clip=${clip.id}`}
        >Look at it, try settings and keep it</a
      >
    </p>
  {/if}
</Page>
