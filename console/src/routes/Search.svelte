<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { Attempt } from '../lib/attempt.svelte';
  import { named } from '../lib/camera';
  import { count } from '../lib/format';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { cameraPath, navigate, p, route } from '../router';
  import { dayWords, lengthWords } from './activity/days';
  import { Look } from './search/look.svelte';
  import { corners, shares, type Rectangle } from './search/moves';
  import PickArea from './search/PickArea.svelte';
  import { clock, instantAt, percent } from './tune/levels';

  const path = $derived({ recorder: route.params.recorder ?? '', channel: route.params.channel ?? '' });
  const name = $derived(named(path));
  const camera = createQuery(() => ({
    queryKey: ['camera', name],
    queryFn: () => ask(api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path } })),
  }));
  const recorder = createQuery(() => ({
    queryKey: ['recorder', path.recorder],
    queryFn: () => ask(api.GET('/api/v1/recorders/{name}', { params: { path: { name: path.recorder } } })),
  }));
  const zone = $derived(recorder.data?.zone || Intl.DateTimeFormat().resolvedOptions().timeZone);
  const day = (instant: number) => new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(instant);
  const today = $derived(day(Date.now()));

  let area = $state.raw<Rectangle | undefined>();
  let said = $state<{ date?: string; from?: string; hours?: number }>({});
  const date = $derived(said.date ?? String(route.search.day ?? today));
  const from = $derived(said.from ?? '00:00');
  const hours = $derived(said.hours ?? 24);
  let share = $state(2);
  let closely = $state(false);
  let hour = $state<number | undefined>();

  const search = new Look<Schemas['AreaSearchView']>(
    (id) => ask(api.GET('/api/v1/area-searches/{id}', { params: { path: { id } } })),
    (id) => ask(api.DELETE('/api/v1/area-searches/{id}', { params: { path: { id } } })),
  );
  const map = new Look<Schemas['MotionMapView']>(
    (id) => ask(api.GET('/api/v1/motion-maps/{id}', { params: { path: { id } } })),
    (id) => ask(api.DELETE('/api/v1/motion-maps/{id}', { params: { path: { id } } })),
  );
  $effect(() => () => {
    search.leave();
    map.leave();
  });
  const cells = $derived(map.view ? shares(map.view, hour) : []);
  const busiest = $derived(Math.max(1, ...(map.view?.hours ?? []).map((h) => h.events ?? 0)));
  const tells = $derived((map.view?.hours ?? []).some((h) => h.events !== undefined));
  const found = $derived(search.view?.found ?? []);

  const gone = $derived(
    search.view
      ? (search.view.lookedSeconds + search.view.unseenSeconds) / Math.max(1, search.view.recordedSeconds)
      : 0,
  );

  const answer = $derived.by(() => {
    const s = search.view;
    if (!s || s.state === 'failed') {
      return undefined;
    }
    const times =
      found.length === 0
        ? s.state === 'looking'
          ? 'Nothing yet'
          : 'Nothing moved there'
        : `${count(found.length, 'moment')}`;
    return `${times} in ${lengthWords(Math.round(s.lookedSeconds))} of ${lengthWords(Math.round(s.recordedSeconds))} that were recorded.`;
  });

  function look(e: SubmitEvent) {
    e.preventDefault();
    const begin = instantAt(date, from, zone);
    const until = new Date(Math.min(Date.now(), begin.getTime() + hours * 3600_000));
    void search.start(() =>
      ask(
        api.POST('/api/v1/area-searches', {
          body: {
            camera: name,
            from: begin.toISOString(),
            until: until.toISOString(),
            area: area ? corners(area) : '0,0 1,1',
            share,
            closely,
          },
        }),
      ),
    );
  }

  const where = () =>
    map.start(() => ask(api.POST('/api/v1/motion-maps', { body: { camera: name, days: 7 } })));

  const LEAD = 30_000;
  const taking = new Attempt();
  const take = (one: Schemas['SeenInArea']) =>
    taking.run(async () => {
      const clip = await ask(
        api.POST('/api/v1/clips', {
          body: {
            camera: name,
            from: new Date(Date.parse(one.from) - LEAD).toISOString(),
            until: new Date(Math.min(Date.now(), Date.parse(one.until) + LEAD)).toISOString(),
          },
        }),
      );
      navigate('/cameras/:recorder/:channel/tune', { params: path, search: { clip: String(clip.id) } });
    });
</script>

<Page question="When and where does it move?" {answer}>
  {#snippet act()}
    <a class="act no-underline" href={cameraPath(name)}>{camera.data?.row.label ?? name}</a>
    <a class="act no-underline" href={p('/activity') + '?select=' + encodeURIComponent(`camera:"${name}"`)}
      >What was recorded</a
    >
  {/snippet}
  <Loaded query={camera}>
    {#snippet children(c)}
      <div class="grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-[minmax(0,3fr)_minmax(300px,2fr)]">
        <section aria-label="Part of the picture" class="min-w-0">
          <PickArea
            camera={name}
            label={c.row.label}
            {area}
            {cells}
            columns={map.view?.columns ?? 0}
            onarea={(a) => (area = a)}
          />
          <p class="mt-2 text-sm text-faint">
            Draw over the picture, or say it in numbers; without an area all of it is searched.
          </p>
        </section>
        <section class="min-w-0" aria-labelledby="when">
          <h2 id="when" class="mb-3 text-lg font-semibold">When something moved there</h2>
          <form class="flex flex-wrap items-end gap-3" onsubmit={look}>
            <label class="text-sm"
              >Day<br /><input
                type="date"
                class="field"
                value={date}
                oninput={(e) => (said.date = e.currentTarget.value)}
                max={today}
                required
              /></label
            >
            <label class="text-sm"
              >From<br /><input
                type="time"
                class="field"
                value={from}
                oninput={(e) => (said.from = e.currentTarget.value)}
                required
              /></label
            >
            <label class="text-sm"
              >Hours<br /><input
                type="number"
                class="field w-20"
                value={hours}
                oninput={(e) => (said.hours = e.currentTarget.valueAsNumber)}
                min="0.25"
                max="744"
                step="0.25"
                required
              /></label
            >
            <label class="text-sm"
              >At least (%)<br /><input
                type="number"
                class="field w-20"
                bind:value={share}
                min="0.1"
                max="100"
                step="0.1"
                required
              /></label
            >
            <label class="flex items-center gap-2 py-1.5 text-sm"
              ><input type="checkbox" bind:checked={closely} /> every picture, slower</label
            >
            <span class="flex gap-2">
              <button class="act act-main" disabled={search.looks}
                >{search.looks ? 'Looking …' : 'Search'}</button
              >
              {#if search.looks}
                <button type="button" class="act" onclick={() => search.stop()}>That is enough</button>
              {/if}
            </span>
          </form>
          <p class="mt-1 text-xs text-faint">
            By the recorder’s wall clock ({zone}). Only what was recorded is looked at.
          </p>
          <Trouble error={search.error ?? taking.error} />
          {#if search.view}
            {@const s = search.view}
            {#if s.state === 'failed'}
              <Trouble error={new Error(s.trouble)} />
            {:else}
              {#if search.looks}
                <div
                  class="mt-3 h-1.5 bg-sunken"
                  role="progressbar"
                  aria-label="How much was looked at"
                  aria-valuemin="0"
                  aria-valuemax="100"
                  aria-valuenow={Math.round(gone * 100)}
                >
                  <div class="h-full bg-accent" style:width="{gone * 100}%"></div>
                </div>
              {/if}
              {#if s.recordedSeconds === 0 && s.state === 'done'}
                <p class="mt-2 text-sm text-faint">Nothing was recorded in that time.</p>
              {/if}
              {#if s.unseenSeconds > 0}
                <p class="mt-2 text-sm text-loss">
                  {lengthWords(Math.round(s.unseenSeconds))} could not be looked at: {s.trouble}
                </p>
              {/if}
              {#if s.notKnownFrom}
                <p class="mt-2 text-sm text-faint">
                  What it has from {clock(Date.parse(s.notKnownFrom), zone)} on the recorder did not tell.
                </p>
              {/if}
              {#if s.full}
                <p class="mt-2 text-sm text-faint">There may be more; search a shorter time.</p>
              {/if}
            {/if}
          {/if}

          <h2 class="mt-8 mb-2 text-lg font-semibold">Where it moves</h2>
          {#if map.view && map.view.state !== 'failed'}
            {@const m = map.view}
            {#if tells}
              <div class="flex h-16 items-end gap-px" role="group" aria-label="Hours of the day">
                {#each m.hours as h (h.hour)}
                  <button
                    class="hour"
                    aria-pressed={hour === h.hour}
                    aria-label="{String(h.hour).padStart(2, '0')} o’clock: {count(h.events ?? 0, 'event')}"
                    title="{String(h.hour).padStart(2, '0')}:00, {count(h.events ?? 0, 'event')}"
                    onclick={() => (hour = hour === h.hour ? undefined : h.hour)}
                    ><i style:height="{((h.events ?? 0) / busiest) * 100}%"></i></button
                  >
                {/each}
              </div>
              <div class="flex text-xs text-faint" aria-hidden="true">
                {#each ['00', '06', '12', '18'] as label (label)}<span class="w-1/4">{label}</span>{/each}
              </div>
            {/if}
            <p class="mt-2 text-sm text-faint" role="status">
              {hour === undefined ? 'All hours' : `From ${hour} to ${hour + 1} o’clock`} of the last seven days;
              darker is oftener. {m.looked} of {count(m.stretches, 'stretch', 'stretches')} looked at{m.failed >
              0
                ? `, ${m.failed} without a picture: ${m.trouble}`
                : ''}.
            </p>
            {#if m.state === 'looking'}
              <button class="act mt-2" onclick={() => map.stop()}>That is enough</button>
            {/if}
          {:else}
            <p class="mb-2 text-sm text-faint">
              A few of the events of each hour are looked at, and what moved is laid over the picture.
            </p>
            <button class="act" onclick={where} disabled={map.looks}>Show it on the picture</button>
          {/if}
          <Trouble error={map.error} />
          {#if map.view?.state === 'failed'}<Trouble error={new Error(map.view.trouble)} />{/if}
        </section>
      </div>
      {#if found.length > 0}
        <ul class="mt-8 grid grid-cols-2 gap-4 md:grid-cols-3 xl:grid-cols-4" aria-label="What was found">
          {#each found as one (one.number)}
            <li>
              <button
                class="block w-full text-left hover:text-accent"
                disabled={taking.busy}
                onclick={() => take(one)}
              >
                <img
                  src="/api/v1/area-searches/{search.view?.id}/stills/{one.number}"
                  alt="{name} at {clock(Date.parse(one.strongest), zone)}"
                  loading="lazy"
                  class="aspect-video w-full border border-line bg-sunken object-cover"
                />
                <span class="mt-1 block text-sm font-semibold tabular-nums"
                  >{dayWords(day(Date.parse(one.from)))}
                  {clock(Date.parse(one.from), zone)}</span
                >
                <span class="block text-sm text-faint"
                  >for {lengthWords(
                    Math.max(1, Math.round((Date.parse(one.until) - Date.parse(one.from)) / 1000)),
                  )}, up to {percent(one.share)}</span
                >
              </button>
            </li>
          {/each}
        </ul>
        <p class="mt-3 text-sm text-faint">Choose one to look at its footage, mark it and keep it.</p>
      {/if}
    {/snippet}
  </Loaded>
</Page>

<style>
  .hour {
    display: flex;
    flex: 1;
    height: 100%;
    align-items: flex-end;
    background: var(--sunken);
  }
  .hour > i {
    width: 100%;
    min-height: 1px;
    background: var(--faint);
  }
  .hour[aria-pressed='true'] > i,
  .hour:hover > i {
    background: var(--accent);
  }
</style>
