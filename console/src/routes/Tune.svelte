<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { Attempt } from '../lib/attempt.svelte';
  import { named } from '../lib/camera';
  import { count, when } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { cameraPath, navigate, p, route } from '../router';
  import ClipPicture from './tune/ClipPicture.svelte';
  import IntoPolicy from './tune/IntoPolicy.svelte';
  import Live from './tune/Live.svelte';
  import LevelStrip from './tune/LevelStrip.svelte';
  import MarkList from './tune/MarkList.svelte';
  import Report from './tune/Report.svelte';
  import Stretch from './tune/Stretch.svelte';
  import Suggested from './tune/Suggested.svelte';
  import KeepClip from './tune/KeepClip.svelte';
  import SettingPanel from './tune/SettingPanel.svelte';
  import {
    clock,
    curve,
    holdable,
    nearest,
    ofArea,
    pictureAt,
    strongest,
    verdict,
    type Levels,
    type Tried,
  } from './tune/levels';

  const path = $derived({ recorder: route.params.recorder ?? '', channel: route.params.channel ?? '' });
  const name = $derived(named(path));
  const client = useQueryClient();
  const camera = createQuery(() => ({
    queryKey: ['camera', name],
    queryFn: () => ask(api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path } })),
  }));
  const recorder = createQuery(() => ({
    queryKey: ['recorder', path.recorder],
    queryFn: () => ask(api.GET('/api/v1/recorders/{name}', { params: { path: { name: path.recorder } } })),
  }));
  const zone = $derived(recorder.data?.zone || Intl.DateTimeFormat().resolvedOptions().timeZone);

  let clip = $state.raw<Schemas['ClipView'] | undefined>();
  let levels = $state.raw<Levels | undefined>();
  /** The area that is looked at, where they have values of their own; else the picture is one, without a name. */
  let area = $state<string | undefined>();
  let all = $state.raw<Record<string, Tried>>({});
  const tried = $derived(all[area ?? ''] ?? { sensitivity: 50, threshold: 1 });
  const areas = $derived((levels?.policy?.areas ?? []).map((a) => a.name));
  let report = $state.raw<Schemas['TrialReport'] | undefined>();
  let trial = $state.raw<Schemas['TrialOfClip'] | undefined>();
  let suggestion = $state.raw<Schemas['SuggestionView'] | undefined>();
  let ignored = $state.raw<string[]>([]);
  let at = $state(0);
  let span = $state<[number, number] | undefined>();
  let word = $state('');
  let closer = $state(false);
  let taking = $state(false);
  let live = $state(false);
  const work = new Attempt();

  const begin = $derived(clip ? Date.parse(clip.from) : 0);
  const length = $derived(clip ? Math.max(1, Date.parse(clip.until) - begin) : 1);
  const step = $derived.by(() => {
    if (!levels || tried.sensitivity === 'auto') {
      return undefined;
    }
    return levels.sensitivitySteps[levels.sensitivities.indexOf(tried.sensitivity)];
  });
  const values = $derived(levels ? curve(levels, step) : []);
  const held = $derived(levels?.held ? curve(levels, ofArea(levels.held, area)?.step) : []);
  const thresholds = $derived(levels?.thresholds.map((t) => t / 100) ?? []);
  const picture = $derived(levels ? pictureAt(levels.pictures, at) : 0);
  const from = $derived(span ? span[0] : at);
  const until = $derived(span ? span[1] : at);

  const wanted = Number(route.search.clip ?? 0);
  let opening = $state(wanted > 0);
  $effect(() => {
    if (wanted > 0) {
      untrack(
        () =>
          void work
            .run(async () =>
              open(await ask(api.GET('/api/v1/clips/{id}', { params: { path: { id: wanted } } }))),
            )
            .then(() => (opening = false)),
      );
    }
  });

  async function open(next: Schemas['ClipView']) {
    clip = next;
    levels = undefined;
    report = undefined;
    suggestion = undefined;
    ignored = [];
    span = undefined;
    at = 0;
    area = undefined;
    await load();
    start(levels!.policy);
    if (areas.length > 0) {
      await look(areas[0]!);
    }
    if (String(route.search.clip ?? '') !== String(next.id)) {
      navigate('/cameras/:recorder/:channel/tune', {
        params: path,
        search: { clip: String(next.id) },
        replace: true,
      });
    }
    // The moment at which most moves is looked at first.
    at = levels!.pictures[strongest(values)] ?? 0;
  }

  async function load() {
    levels = await ask(
      api.POST('/api/v1/clips/{id}/levels', {
        params: { path: { id: clip!.id } },
        body: { ignore: ignored, ...(area === undefined ? {} : { area }) },
      }),
    );
  }

  async function look(name: string) {
    area = name;
    await load();
  }

  /** Takes over what a setting says, as far as the device can hold it. */
  function start(setting: Schemas['TriedSetting'] | undefined) {
    const found = levels;
    if (found && setting) {
      all = Object.fromEntries(
        (setting.areas ?? [{ ...setting, name: '' }]).map((a) => [a.name, holdable(found, a)]),
      );
    }
  }

  const change = (next: Tried) => (all = { ...all, [area ?? '']: next });

  /** What is tried, as the service wants it. */
  function setting(): Omit<Schemas['SettingRequest'], 'name'> {
    const values = ({ sensitivity, threshold }: Tried) => ({
      sensitivity: String(sensitivity),
      threshold: `${threshold}%`,
    });
    return areas.length > 0
      ? { ignore: ignored, areas: Object.entries(all).map(([name, t]) => ({ name, ...values(t) })) }
      : { ignore: ignored, ...values(tried) };
  }

  let asked = 0;
  $effect(() => {
    if (!clip || !levels) {
      return;
    }
    const body = {
      clips: [clip.id],
      settings: [
        { name: 'tried', ...setting() },
        { name: 'policy', as: 'policy' },
        ...(levels.held ? [{ name: 'recorder', as: 'held' }] : []),
        ...(closer ? [{ name: 'closer', ...setting(), pictures: 5, size: '320x180' }] : []),
      ],
    };
    const number = ++asked;
    const timer = setTimeout(
      () => {
        void ask(api.POST('/api/v1/trials', { body })).then(
          (found) => {
            if (number === asked) {
              trial = found.clips[0];
              report = trial?.reports[0];
            }
          },
          (e: Error) => (work.error = e),
        );
      },
      closer ? 500 : 120,
    );
    return () => clearTimeout(timer);
  });

  const mark = (kind: 'wanted' | 'unwanted') =>
    work.run(async () => {
      const marks = await ask(
        api.POST('/api/v1/clips/{id}/marks', {
          params: { path: { id: clip!.id } },
          body: {
            kind,
            from: new Date(begin + Math.round(from)).toISOString(),
            until: new Date(begin + Math.round(until)).toISOString(),
            word,
          },
        }),
      );
      clip = { ...clip!, marks };
      word = '';
      span = undefined;
      suggestion = undefined;
    });

  const unmark = (id: number) =>
    work.run(async () => {
      const marks = await ask(
        api.DELETE('/api/v1/clips/{id}/marks/{mark}', { params: { path: { id: clip!.id, mark: id } } }),
      );
      clip = { ...clip!, marks };
      suggestion = undefined;
    });

  const suggest = () =>
    work.run(async () => {
      suggestion = await ask(api.POST('/api/v1/suggestions', { body: { clips: [clip!.id] } }));
    });

  async function leaveOut(rows: string[]) {
    ignored = rows;
    await load();
  }

  async function take(setting: Schemas['TriedSetting'], left: string[]) {
    await leaveOut(left);
    start(setting);
  }
</script>

<Page
  question="How should {camera.data?.row.label ?? name} see motion?"
  answer={report
    ? verdict(report)
    : clip
      ? 'Looking at the pictures …'
      : 'Look at footage, say on it what must trigger and what must not, and move the threshold until both hold.'}
>
  {#snippet act()}
    <a class="act no-underline" href={cameraPath(name)}>The camera</a>
    <Allowed to="TECHNICIAN"
      ><a class="act no-underline" href={p('/cameras/:recorder/:channel/walk', { params: path })}>Walk test</a
      ></Allowed
    >
    {#if !clip && !live}
      <button class="act" onclick={() => (live = true)}>Look now</button>
    {/if}
    {#if clip}
      <button class="act" onclick={() => (clip = undefined)}>Other footage</button>
      <Allowed to="EDITOR"
        ><button class="act act-main" disabled={!levels} onclick={() => (taking = true)}
          >Into the policy …</button
        ></Allowed
      >
    {/if}
  {/snippet}

  <Trouble error={work.error} />
  {#if !clip}
    {#if recorder.data && live}
      <Live camera={name} {zone} onstop={() => (live = false)} />
    {:else if recorder.data && !opening}
      <Stretch camera={name} {zone} onclip={(c) => void work.run(() => open(c))} />
    {/if}
  {:else}
    <p class="mb-3 text-sm text-faint">
      {when(clip.from)}, {clock(begin, zone)} to {clock(begin + length, zone)} ({zone});
      {#if clip.because}
        kept because {clip.because}
      {:else}
        it goes {when(clip.goneAt)} unless it is kept
      {/if}
    </p>
    {#if levels}
      <div class="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(280px,2fr)]">
        <div class="min-w-0">
          <ClipPicture
            clip={clip.id}
            {begin}
            at={levels.pictures[picture] ?? 0}
            {picture}
            step={step ?? 11}
            {ignored}
            label="{camera.data?.row.label ?? name} at {clock(begin + at, zone)}"
          />
          <div class="mt-2 flex items-center gap-3">
            <input
              type="range"
              class="min-w-0 grow accent-(--accent)"
              min="0"
              max={levels.pictures.length - 1}
              value={picture}
              oninput={(e) => (at = levels?.pictures[Number(e.currentTarget.value)] ?? 0)}
              aria-label="Picture"
              aria-valuetext={clock(begin + at, zone)}
            />
            <span class="text-sm tabular-nums">{clock(begin + at, zone)}</span>
          </div>
        </div>
        <div class="min-w-0">
          <SettingPanel
            {levels}
            bind:tried={() => tried, change}
            {area}
            {areas}
            onarea={(n) => void work.run(() => look(n))}
          />
          {#if report}
            <Report {report} {trial} {zone} />
            <label class="mt-3 flex items-center gap-2 text-sm"
              ><input type="checkbox" bind:checked={closer} />look closer too: 5 pictures a second, twice as
              wide</label
            >
          {/if}
        </div>
      </div>
      <section class="mt-4" aria-label="Level over time">
        <LevelStrip
          times={levels.pictures}
          {values}
          beside={held}
          {length}
          {begin}
          threshold={tried.threshold / 100}
          {thresholds}
          marks={clip.marks}
          motion={levels.motion}
          recorded={levels.recorded}
          bind:at
          bind:span
          onthreshold={(s) => change({ ...tried, threshold: nearest(levels?.thresholds ?? [1], s * 100) })}
        />
        <p class="mt-1 text-xs text-faint">
          The line is the share of {area === undefined ? 'the watched picture' : `the area ${area}`} that changes;
          equal factors are equal heights. Drag the dashed line, or move it with the arrow keys. Drag across to
          choose a span.
          {#if held.length > 0}Dotted: at what the recorder holds.{/if}
          {levels.motion === undefined
            ? 'What the recorder itself saw is not known.'
            : 'The marks at the foot are the recorder’s own motion, the line under them what it recorded.'}
        </p>
        <Allowed to="TECHNICIAN">
          <form class="mt-4 flex flex-wrap items-end gap-3" onsubmit={(e) => e.preventDefault()}>
            <label class="text-sm"
              >What is seen {span
                ? `from ${clock(begin + span[0], zone)} to ${clock(begin + span[1], zone)}`
                : `at ${clock(begin + at, zone)}`}<br /><input
                class="field w-64 max-w-full"
                bind:value={word}
                maxlength="80"
                placeholder="walker at 70 m"
              /></label
            >
            <button class="act" disabled={work.busy} onclick={() => void mark('wanted')}>Must trigger</button>
            <button class="act" disabled={work.busy} onclick={() => void mark('unwanted')}>Must not</button>
            <button
              class="act"
              disabled={work.busy || !clip.marks.some((m) => m.kind === 'wanted')}
              onclick={() => void suggest()}>Suggest the best setting</button
            >
          </form>
        </Allowed>
        <MarkList
          marks={clip.marks}
          {zone}
          onremove={(id) => void unmark(id)}
          ongo={(ms) => (at = ms - begin)}
        />
      </section>
      {#if suggestion}
        <Suggested {suggestion} {ignored} ontake={(s, area) => void work.run(() => take(s, area))} />
      {/if}
      {#if !clip.because}
        <Allowed to="TECHNICIAN">
          <KeepClip
            clip={clip.id}
            onkept={(kept) => {
              clip = kept;
              void client.invalidateQueries({ queryKey: ['clips'] });
            }}
          />
          <p class="mt-2 text-xs text-faint">
            What is kept is tried again at each change of this camera’s motion settings ({count(
              clip.marks.length,
              'mark',
            )}).
          </p>
        </Allowed>
      {/if}
    {:else}
      <p class="text-faint" role="status">Looking at the pictures …</p>
    {/if}
  {/if}
</Page>

{#if clip && levels}
  <IntoPolicy
    bind:open={taking}
    camera={name}
    clip={clip.id}
    found={all}
    area={ignored}
    origins={(camera.data?.settings ?? []).flatMap((o) => o.origins.map((origin) => origin.template ?? ''))}
    said={report ? verdict(report) : ''}
    ondone={() => {
      taking = false;
      navigate('/cameras/:recorder/:channel', { params: path });
    }}
  />
{/if}
