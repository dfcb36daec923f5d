<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { api, ask } from '../../lib/api/client';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { clock, nearest, ofArea, percent } from './levels';
  import LevelStrip from './LevelStrip.svelte';

  /** What the camera sees now, with the level as it moves. */
  let { camera, zone, onstop }: { camera: string; zone: string; onstop: () => void } = $props();

  /** An event of the service: a picture, or why no more come. */
  interface Told {
    at: number;
    watched: number;
    counting?: number[];
    cells?: string;
    picture?: string;
    trouble?: string;
  }

  interface Seen {
    at: number;
    watched: number;
    counting: number[];
  }

  /** So much of what was seen stays on the strip. */
  const SHOWN = 120_000;
  const COLUMNS = 32;
  const WIDTH = 320;
  const HEIGHT = 180;

  const tuning = createQuery(() => ({
    queryKey: ['tuning', camera],
    queryFn: () => ask(api.GET('/api/v1/tuning', { params: { query: { camera } } })),
  }));
  let seen = $state.raw<Seen[]>([]);
  let picture = $state('');
  let cells = $state.raw<number[]>([]);
  let ended = $state<Error | undefined>();
  let sensitivity = $state<number | undefined>();
  let threshold = $state<number | undefined>();
  let at = $state(0);
  let span = $state<[number, number] | undefined>();

  const areas = $derived((tuning.data?.policy.areas ?? []).map((a) => a.name));
  let chosen = $state<string | undefined>();
  const area = $derived(chosen ?? areas[0]);

  $effect(() => {
    if (!tuning.data) {
      return;
    }
    const query = new URLSearchParams({ camera, ...(area === undefined ? {} : { area }) });
    const source = new EventSource(`/api/v1/live-levels?${query.toString()}`);
    untrack(() => (seen = []));
    source.addEventListener('picture', (e) => {
      const told = JSON.parse((e as MessageEvent<string>).data) as Told;
      if (told.trouble) {
        ended = new Error(`${camera}: ${told.trouble}`);
        source.close();
        return;
      }
      if (!told.picture) {
        return;
      }
      picture = `data:image/jpeg;base64,${told.picture}`;
      cells = Array.from(atob(told.cells ?? ''), (c) => c.charCodeAt(0));
      seen = [
        ...seen.filter((s) => s.at > told.at - SHOWN),
        { at: told.at, watched: told.watched, counting: told.counting ?? [] },
      ];
    });
    source.onerror = () => {
      if (source.readyState === EventSource.CLOSED || seen.length === 0) {
        ended = new Error(`No pictures come from ${camera}; its recorder may be away, or give none.`);
        source.close();
      }
    };
    return () => source.close();
  });

  const policy = $derived(ofArea(tuning.data?.policy, area));
  const held = $derived(ofArea(tuning.data?.held, area));
  const tried = $derived(
    sensitivity ?? Number(policy?.sensitivity === 'auto' ? 55 : (policy?.sensitivity ?? 50)),
  );
  const line = $derived((threshold ?? nearest(tuning.data?.thresholds ?? [1], policy?.threshold ?? 1)) / 100);
  const index = $derived.by(() => {
    const all = tuning.data?.sensitivities ?? [];
    return all.reduce(
      (best, s, i) => (Math.abs(s - tried) < Math.abs((all[best] ?? 0) - tried) ? i : best),
      0,
    );
  });
  const step = $derived(tuning.data?.sensitivitySteps[index] ?? 11);
  const row = $derived((tuning.data?.steps ?? []).indexOf(step));
  const begin = $derived(seen[0]?.at ?? 0);
  const values = $derived(
    seen.map((s) =>
      Math.min(1, ((s.counting[row] ?? 0) * (tuning.data?.factor ?? 1)) / Math.max(1, s.watched)),
    ),
  );
  const now = $derived(values[values.length - 1] ?? 0);
</script>

{#if ended}
  <Trouble error={ended} />
  <button class="act mt-4" onclick={onstop}>Back</button>
{:else if picture === '' || !tuning.data}
  <p class="text-faint" role="status">Waiting for the camera’s pictures …</p>
{:else}
  <div class="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,3fr)_minmax(280px,2fr)]">
    <svg
      viewBox="0 0 {WIDTH} {HEIGHT}"
      class="w-full border border-line bg-sunken"
      role="img"
      aria-label="What the camera sees now; cells that change are marked"
    >
      <image href={picture} width={WIDTH} height={HEIGHT} preserveAspectRatio="none" />
      {#each cells as by, i (i)}
        {#if by >= step}
          <rect
            x={((i % COLUMNS) * WIDTH) / COLUMNS}
            y={(Math.floor(i / COLUMNS) * HEIGHT) / 18}
            width={WIDTH / COLUMNS}
            height={HEIGHT / 18}
            fill="var(--loss)"
            fill-opacity="0.5"
            stroke="#fff"
            stroke-opacity="0.5"
            stroke-width="0.4"
          />
        {/if}
      {/each}
    </svg>
    <div class="min-w-0">
      <p class="text-2xl tabular-nums {now >= line ? 'font-semibold text-loss' : ''}" aria-live="off">
        {percent(now * 100)}
        <span class="text-base text-faint">{now >= line ? 'is motion' : 'is no motion'}</span>
      </p>
      {#if areas.length > 0}
        <label class="mt-4 block text-sm"
          >Area, which has values of its own<br /><select
            class="field w-full"
            value={area}
            onchange={(e) => {
              chosen = e.currentTarget.value;
              sensitivity = undefined;
              threshold = undefined;
            }}
          >
            {#each areas as name (name)}<option>{name}</option>{/each}
          </select></label
        >
      {/if}
      <div class="mt-4 flex items-baseline justify-between">
        <label for="live-sensitivity" class="font-semibold">Sensitivity</label>
        <span class="text-lg tabular-nums">{tuning.data.sensitivities[index]}</span>
      </div>
      <input
        id="live-sensitivity"
        type="range"
        class="w-full accent-(--accent)"
        min="0"
        max={tuning.data.sensitivities.length - 1}
        value={index}
        oninput={(e) => (sensitivity = tuning.data?.sensitivities[Number(e.currentTarget.value)])}
      />
      <p class="mt-2 text-sm text-faint">
        The policy asks for {policy?.sensitivity} and {percent(policy?.threshold ?? 0)}{held
          ? `, the recorder holds ${held.sensitivity} and ${percent(held.threshold)}`
          : ''}.
      </p>
      {#each tuning.data.policy.assumed as note (note)}
        <p class="mt-1 text-xs text-faint">{note}</p>
      {/each}
      <button class="act mt-4" onclick={onstop}>Stop looking</button>
    </div>
  </div>
  <section class="mt-4" aria-label="Level over time">
    <LevelStrip
      times={seen.map((s) => s.at - begin)}
      {values}
      length={Math.max(30_000, (seen[seen.length - 1]?.at ?? 0) - begin)}
      {begin}
      threshold={line}
      thresholds={tuning.data.thresholds.map((t) => t / 100)}
      marks={[]}
      motion={undefined}
      bind:at
      bind:span
      onthreshold={(s) => (threshold = nearest(tuning.data?.thresholds ?? [1], s * 100))}
    />
    <p class="mt-1 text-xs text-faint">
      The last two minutes to {clock(seen[seen.length - 1]?.at ?? 0, zone)}. Drag the dashed line, or move it
      with the arrow keys.
    </p>
  </section>
{/if}
