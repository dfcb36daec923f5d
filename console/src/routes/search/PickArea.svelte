<script lang="ts">
  import Still from '../../lib/ui/Still.svelte';
  import { between, type Rectangle } from './moves';

  /** A part of the picture, drawn by the pointer or said in numbers; over it, where it moves. */
  let {
    camera,
    label,
    area,
    cells,
    columns,
    onarea,
  }: {
    camera: string;
    label: string;
    area: Rectangle | undefined;
    cells: number[];
    columns: number;
    onarea: (area: Rectangle | undefined) => void;
  } = $props();

  const WIDTH = 320;
  const HEIGHT = 180;
  const SIDES: [keyof Rectangle, string][] = [
    ['left', 'Left'],
    ['top', 'Top'],
    ['right', 'Right'],
    ['bottom', 'Bottom'],
  ];
  let box: HTMLElement | undefined = $state();
  let begun = $state<[number, number] | undefined>();
  const most = $derived(Math.max(...cells, 0));
  const rows = $derived(columns > 0 ? cells.length / columns : 0);

  function at(e: PointerEvent): [number, number] {
    const r = box!.getBoundingClientRect();
    return [(e.clientX - r.left) / r.width, (e.clientY - r.top) / r.height];
  }

  function begin(e: PointerEvent) {
    begun = at(e);
    box!.setPointerCapture(e.pointerId);
    e.preventDefault();
  }

  function move(e: PointerEvent) {
    if (begun) {
      onarea(between(begun, at(e)));
    }
  }

  function say(side: keyof Rectangle, percent: number) {
    if (Number.isFinite(percent)) {
      const next = { ...(area ?? { left: 0, top: 0, right: 1, bottom: 1 }), [side]: percent / 100 };
      onarea(between([next.left, next.top], [next.right, next.bottom]));
    }
  }
</script>

<div
  bind:this={box}
  class="relative cursor-crosshair touch-none select-none"
  role="presentation"
  onpointerdown={begin}
  onpointermove={move}
  onpointerup={() => (begun = undefined)}
  onpointercancel={() => (begun = undefined)}
>
  <Still {camera} {label} />
  <svg viewBox="0 0 {WIDTH} {HEIGHT}" class="absolute inset-0 h-full w-full" aria-hidden="true">
    {#each cells as share, c (c)}
      {#if share > 0 && most > 0}
        <rect
          x={((c % columns) * WIDTH) / columns}
          y={(Math.floor(c / columns) * HEIGHT) / rows}
          width={WIDTH / columns}
          height={HEIGHT / rows}
          class="moved"
          opacity={0.12 + 0.68 * (share / most)}
        />
      {/if}
    {/each}
    {#if area}
      <rect
        x={area.left * WIDTH}
        y={area.top * HEIGHT}
        width={(area.right - area.left) * WIDTH}
        height={(area.bottom - area.top) * HEIGHT}
        class="under"
      />
      <rect
        x={area.left * WIDTH}
        y={area.top * HEIGHT}
        width={(area.right - area.left) * WIDTH}
        height={(area.bottom - area.top) * HEIGHT}
        class="drawn"
      />
    {/if}
  </svg>
</div>
<fieldset class="mt-2 flex flex-wrap items-end gap-3 text-sm">
  <legend class="sr-only">The area in percent of the picture</legend>
  {#each SIDES as [side, word] (side)}
    <label
      >{word} (%)<br /><input
        type="number"
        class="field w-20"
        min="0"
        max="100"
        value={area ? Math.round(area[side] * 1000) / 10 : ''}
        onchange={(e) => say(side, e.currentTarget.valueAsNumber)}
      /></label
    >
  {/each}
</fieldset>

<style>
  .moved {
    fill: var(--accent);
  }
  .under {
    fill: none;
    stroke: var(--paper);
    stroke-width: 3;
  }
  .drawn {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
    stroke-dasharray: 5 3;
  }
</style>
