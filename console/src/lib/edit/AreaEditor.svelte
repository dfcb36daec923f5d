<script lang="ts">
  import { api, ask, type Schemas } from '../api/client';
  import { KINDS, outline, type AreaDraft, type Kind, type Point, type ShapeWord } from './area-draft.svelte';
  import Unwatched from './Unwatched.svelte';

  /** Areas drawn on the picture of a camera, with what its recorder would hold for them. */
  let {
    draft,
    camera,
    inherited = [],
    alone = false,
  }: { draft: AreaDraft; camera: string; inherited?: Schemas['AreaView'][]; alone?: boolean } = $props();

  const W = 640;
  const H = 360;
  let svg = $state<SVGSVGElement>();
  let drawing = $state<Point[] | undefined>();
  let drag = $state<{
    kind: 'point' | 'area' | 'cells';
    point: number;
    last: Point;
    on: boolean;
    moved: boolean;
  }>();
  let trial = $state<Schemas['AreasTrial']>();
  let trouble = $state('');
  let broken = $state(false);

  const area = $derived(draft.current);
  const still = $derived(`/api/v1/cameras/${camera}/still`);
  const path = (points: readonly Point[]) => points.map(([x, y]) => `${x * W},${y * H}`).join(' ');
  const masks = $derived({
    rows: trial?.cells.length ?? 0,
    columns: trial?.cells[0]?.length ?? 0,
  });

  $effect(() => {
    const body = { camera, areas: draft.text, alone };
    const timer = setTimeout(() => {
      ask(api.POST('/api/v1/area-trials', { body }))
        .then((t) => {
          trial = t;
          trouble = '';
        })
        .catch((e: Error) => (trouble = e.message));
    }, 250);
    return () => clearTimeout(timer);
  });

  function at(event: PointerEvent): Point {
    const box = svg?.getBoundingClientRect();
    return box ? [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height] : [0, 0];
  }

  function cellAt([x, y]: Point): [number, number] {
    const columns = area?.rows[0]?.length ?? 1;
    return [Math.floor(x * columns), Math.floor(y * (area?.rows.length ?? 1))];
  }

  function down(event: PointerEvent) {
    const point = at(event);
    if (drawing) {
      drawing = [...drawing, point];
      return;
    }
    if (area?.shape === 'cells') {
      const [column, row] = cellAt(point);
      const on = area.rows[row]?.[column] !== '#';
      draft.paintCell(draft.selected, column, row, on);
      drag = { kind: 'cells', point: 0, last: point, on, moved: true };
      svg?.setPointerCapture(event.pointerId);
    }
  }

  function grab(event: PointerEvent, index: number, point: number) {
    if (drawing) {
      return;
    }
    event.stopPropagation();
    draft.selected = index;
    if (draft.current?.shape === 'cells') {
      down(event);
      return;
    }
    drag = { kind: point < 0 ? 'area' : 'point', point, last: at(event), on: false, moved: false };
    svg?.setPointerCapture(event.pointerId);
  }

  function move(event: PointerEvent) {
    if (!drag) {
      return;
    }
    const now = at(event);
    if (drag.kind === 'cells') {
      const [column, row] = cellAt(now);
      draft.paintCell(draft.selected, column, row, drag.on, true);
    } else if (drag.kind === 'point') {
      draft.movePoint(draft.selected, drag.point, now, drag.moved);
    } else {
      draft.moveBy(draft.selected, now[0] - drag.last[0], now[1] - drag.last[1], drag.moved);
    }
    drag = { ...drag, last: now, moved: true };
  }

  function finish() {
    if (drawing && drawing.length >= 3) {
      put('polygon', drawing);
    }
    drawing = undefined;
  }

  const NUDGES: Record<string, Point> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  };

  function nudge(event: KeyboardEvent, index: number, point: number) {
    const by = NUDGES[event.key];
    const step = event.shiftKey ? 0.05 : 0.01;
    const place = draft.areas[index]?.points[point];
    if (by) {
      event.preventDefault();
      draft.selected = index;
      if (point < 0) {
        draft.moveBy(index, by[0] * step, by[1] * step);
      } else if (place) {
        draft.movePoint(index, point, [place[0] + by[0] * step, place[1] + by[1] * step]);
      }
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      if (point < 0) {
        draft.remove(index);
      } else {
        draft.removePoint(index, point);
      }
    } else if (event.key === '+') {
      draft.splitEdge(index, point);
    }
  }

  function key(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      if (event.shiftKey) {
        draft.redo();
      } else {
        draft.undo();
      }
    } else if (drawing && (event.key === 'Enter' || event.key === 'Escape')) {
      event.preventDefault();
      if (event.key === 'Escape') {
        drawing = undefined;
      }
      finish();
    }
  }

  const WORDS: Record<Kind, string> = {
    watch: 'watch',
    ignore: 'ignore',
    area: 'kind left to other layers',
    remove: 'taken away',
  };
  const shapeless = $derived(area?.shape === '' && area.kind !== 'remove');
  const dotted = $derived(
    inherited.filter(
      (a) =>
        a.points.length > 0 &&
        !draft.areas.some((own) => own.name === a.name && (own.shape !== '' || own.kind === 'remove')),
    ),
  );
  const elsewhere = $derived(inherited.filter((a) => !draft.areas.some((own) => own.name === a.name)));

  /** A new shape is a new area, unless the chosen one has none of its own yet. */
  function put(shape: ShapeWord, points: readonly Point[]) {
    const grid = [masks.columns || 22, masks.rows || 18] as const;
    if (shapeless) {
      draft.giveShape(draft.selected, shape, points, ...grid);
    } else {
      draft.add(shape, 'watch', points, ...grid);
    }
  }

  const HALF: Point[] = [
    [0.25, 0.25],
    [0.75, 0.75],
  ];
</script>

<svelte:window onkeydown={key} />
<div class="grid grid-cols-1 gap-4 lg:grid-cols-[3fr_2fr]">
  <div>
    <div class="mb-2 flex flex-wrap gap-2 text-sm">
      <button type="button" class="act" aria-pressed={drawing !== undefined} onclick={() => (drawing = [])}
        >Draw a polygon</button
      >
      <button type="button" class="act" onclick={() => put('rectangle', HALF)}>Add a rectangle</button>
      <button type="button" class="act" onclick={() => put('cells', [])}>Paint cells</button>
      <span class="flex-1"></span>
      <button type="button" class="act" onclick={() => draft.undo()} disabled={!draft.canUndo}>Undo</button>
      <button type="button" class="act" onclick={() => draft.redo()} disabled={!draft.canRedo}>Redo</button>
    </div>
    <svg
      bind:this={svg}
      viewBox="0 0 {W} {H}"
      class="w-full touch-none overflow-visible border border-line bg-sunken {drawing
        ? 'cursor-crosshair'
        : ''}"
      role="group"
      aria-label="Picture of {camera} with its areas"
      onpointerdown={down}
      onpointermove={move}
      onpointerup={() => (drag = undefined)}
      ondblclick={finish}
    >
      {#if !broken}
        <image href={still} width={W} height={H} preserveAspectRatio="none" onerror={() => (broken = true)} />
      {/if}
      <Unwatched />
      {#each trial?.cells ?? [] as row, r (r)}
        {#each row.split('') as cell, c (c)}
          {#if cell !== '#'}
            <rect
              x={(c * W) / masks.columns}
              y={(r * H) / masks.rows}
              width={W / masks.columns + 0.3}
              height={H / masks.rows + 0.3}
              fill="url(#unwatched)"
              pointer-events="none"
            />
          {/if}
        {/each}
      {/each}
      {#each dotted as a (a.name)}
        <polygon
          points={path(outline({ shape: a.shape ?? '', points: a.points }))}
          fill="none"
          stroke="#fff"
          stroke-width="2"
          stroke-dasharray="2 5"
          pointer-events="none"
        />
      {/each}
      {#each draft.areas as a, i (i)}
        {#if a.shape === 'cells'}
          {#each a.rows as row, r (r)}
            {#each row.split('') as cell, c (c)}
              {#if cell === '#' || i === draft.selected}
                <rect
                  role="presentation"
                  x={(c * W) / row.length}
                  y={(r * H) / a.rows.length}
                  width={W / row.length}
                  height={H / a.rows.length}
                  fill={cell === '#' ? (a.kind === 'ignore' ? '#d99657' : '#7cc7d6') : 'transparent'}
                  fill-opacity="0.4"
                  stroke="#fff"
                  stroke-opacity={i === draft.selected ? 0.35 : 0}
                  stroke-width="0.5"
                  onpointerdown={(e) => grab(e, i, -1)}
                />
              {/if}
            {/each}
          {/each}
        {:else if a.shape}
          <polygon
            points={path(outline(a))}
            fill={a.kind === 'ignore' ? '#d99657' : '#7cc7d6'}
            fill-opacity={i === draft.selected ? 0.3 : 0.12}
            stroke="#fff"
            stroke-width="5"
            stroke-opacity="0.85"
            pointer-events="none"
          />
          <polygon
            role="button"
            tabindex="0"
            aria-label="{a.kind} {a.name}: arrows move it, Shift in larger steps, Delete removes it"
            points={path(outline(a))}
            fill="transparent"
            stroke={a.kind === 'ignore' ? '#8a4a10' : '#0b5a6b'}
            stroke-width="2.5"
            stroke-dasharray={a.kind === 'ignore' ? '9 6' : undefined}
            class="cursor-move"
            onfocus={() => (draft.selected = i)}
            onpointerdown={(e) => grab(e, i, -1)}
            onkeydown={(e) => nudge(e, i, -1)}
          />
        {/if}
      {/each}
      {#if area && area.shape !== 'cells' && !drawing}
        {#each area.points as [x, y], point (point)}
          <circle
            role="button"
            tabindex="0"
            aria-label="corner {point +
              1} of {area.name}: arrows move it, plus adds one behind it, Delete removes it"
            cx={x * W}
            cy={y * H}
            r="7"
            fill="#fff"
            stroke="#0b5a6b"
            stroke-width="2.5"
            class="cursor-grab"
            onpointerdown={(e) => grab(e, draft.selected, point)}
            onkeydown={(e) => nudge(e, draft.selected, point)}
          />
        {/each}
      {/if}
      {#if drawing}
        <polyline points={path(drawing)} fill="none" stroke="#fff" stroke-width="3" stroke-dasharray="6 4" />
        {#each drawing as [x, y], i (i)}<circle cx={x * W} cy={y * H} r="4" fill="#fff" />{/each}
      {/if}
    </svg>
    <p class="mt-1 text-xs text-faint">
      {#if drawing}
        Click the corners; double click or Enter closes the polygon, Escape gives up.
      {:else}
        Hatched cells are those that the recorder would not watch; outlines are what is asked, dashed where it
        is ignored.
      {/if}
    </p>
    {#if broken}<p class="text-xs text-faint">The camera gives no picture now.</p>{/if}
    {#if trial?.approximated}<p class="text-sm text-cannot">Approximated: {trial.approximated}.</p>{/if}
    {#if trial?.cannot}<p class="text-sm text-cannot">Cannot be honoured: {trial.cannot}.</p>{/if}
    {#if trouble}<p class="text-sm text-loss" role="alert">{trouble}</p>{/if}
  </div>
  <div class="text-sm">
    <p class="head mb-1">Areas</p>
    <ul class="grid gap-1">
      {#each draft.areas as a, i (i)}
        <li>
          <button
            type="button"
            class="w-full rounded border px-2 py-1 text-left {i === draft.selected
              ? 'border-accent bg-accent-wash font-semibold'
              : 'border-line'}"
            aria-pressed={i === draft.selected}
            onclick={() => (draft.selected = i)}
            >{a.kind === 'area' || a.kind === 'remove' ? '' : a.kind}
            {a.name}
            <span class="text-faint"
              >{a.kind === 'remove' ? 'taken away' : a.shape || 'its shape is left to other layers'}</span
            ></button
          >
        </li>
      {:else}
        <li class="text-faint">None here{inherited.length > 0 ? '' : ': the whole picture is watched'}.</li>
      {/each}
    </ul>
    {#each elsewhere as a (a.name)}
      <p class="mt-1 flex flex-wrap gap-x-3 px-2 text-faint">
        <span class="flex-1"
          >{a.kind}
          {a.name}, from {a.origins.map((o) => o.template ?? 'an override').join(', ')}{a.points.length > 0
            ? ' (dotted)'
            : ''}</span
        >
        <button type="button" class="text-accent underline" onclick={() => draft.speakOf(a.name, 'area')}
          >change here<span class="sr-only"> {a.name}</span></button
        >
        <button type="button" class="text-accent underline" onclick={() => draft.speakOf(a.name, 'remove')}
          >take away<span class="sr-only"> {a.name}</span></button
        >
      </p>
    {/each}
    {#if area}
      <div class="mt-4 grid gap-3 border-t border-line pt-3">
        <label
          ><span class="head mb-1 block">Name</span><input
            class="field w-full"
            maxlength="64"
            value={area.name}
            onchange={(e) => draft.change(draft.selected, { name: e.currentTarget.value })}
          /></label
        >
        {#if shapeless}
          <p class="text-faint">Only values are said of it here. Draw a shape, and it is drawn here too.</p>
        {/if}
        <fieldset class="flex flex-wrap gap-x-4">
          <legend class="head mb-1">Kind</legend>
          {#each KINDS as kind (kind)}
            <label class="flex items-center gap-1"
              ><input
                type="radio"
                name="area-kind"
                checked={area.kind === kind}
                onchange={() => draft.setKind(draft.selected, kind)}
              />{WORDS[kind]}</label
            >
          {/each}
        </fieldset>
        {#if area.shape === 'cells'}
          <div class="flex flex-wrap gap-2">
            {#each ['everything', 'nothing', 'invert'] as const as how (how)}
              <button type="button" class="act" onclick={() => draft.fill(draft.selected, how)}>{how}</button>
            {/each}
          </div>
        {/if}
        {#if area.kind !== 'remove'}
          <div class="grid grid-cols-2 gap-2">
            <label
              ><span class="head mb-1 block">Own sensitivity</span><input
                class="field w-full"
                placeholder="as the picture"
                value={area.sensitivity}
                onchange={(e) => draft.change(draft.selected, { sensitivity: e.currentTarget.value.trim() })}
              /></label
            >
            <label
              ><span class="head mb-1 block">Own threshold</span><input
                class="field w-full"
                placeholder="as the picture"
                value={area.threshold}
                onchange={(e) => draft.change(draft.selected, { threshold: e.currentTarget.value.trim() })}
              /></label
            >
          </div>
        {/if}
        <div>
          <button type="button" class="act" onclick={() => draft.remove(draft.selected)}
            >Say nothing of it here</button
          >
        </div>
      </div>
    {/if}
  </div>
</div>
