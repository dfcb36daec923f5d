<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { beside, height, nearest, path, percent, share } from './levels';

  type Mark = Schemas['ClipMarkView'];

  /**
   * The level over time as a line, with the threshold to drag through it, what is marked, and what the recorder itself saw.
   * Times are milliseconds from the beginning, shares 0 to 1.
   */
  let {
    times,
    values,
    beside: other = [],
    length,
    begin,
    threshold,
    thresholds,
    marks,
    motion,
    recorded = [],
    at = $bindable(),
    span = $bindable(),
    onthreshold,
  }: {
    times: number[];
    values: number[];
    beside?: number[];
    length: number;
    begin: number;
    threshold: number;
    thresholds: number[];
    marks: Mark[];
    motion: Schemas['MotionSpan'][] | undefined;
    recorded?: Schemas['MotionSpan'][] | undefined;
    at: number;
    span: [number, number] | undefined;
    onthreshold: (share: number) => void;
  } = $props();

  const TALL = 200;
  let width = $state(800);
  let box = $state<SVGSVGElement | undefined>();
  let dragged = $state<'threshold' | 'span' | undefined>();
  let from = 0;

  const line = $derived(path(times, values, length, width, TALL));
  const second = $derived(other.length > 0 ? path(times, other, length, width, TALL) : '');
  const y = $derived(height(threshold) * TALL);
  const x = (ms: number) => (ms / length) * width;
  const since = (instant: string) => Date.parse(instant) - begin;
  const GRID = [0.001, 0.01, 0.1];

  function place(e: PointerEvent): { ms: number; share: number; y: number } {
    const rect = box!.getBoundingClientRect();
    const py = ((e.clientY - rect.top) / rect.height) * TALL;
    return {
      ms: Math.min(length, Math.max(0, ((e.clientX - rect.left) / rect.width) * length)),
      share: share(py / TALL),
      y: py,
    };
  }

  function down(e: PointerEvent) {
    if (e.button !== 0) {
      return;
    }
    const p = place(e);
    box!.setPointerCapture(e.pointerId);
    const reach = e.pointerType === 'touch' ? 18 : 8;
    if (Math.abs(p.y - y) < reach) {
      dragged = 'threshold';
    } else {
      dragged = 'span';
      from = p.ms;
      at = p.ms;
      span = undefined;
    }
  }

  function move(e: PointerEvent) {
    if (!dragged) {
      return;
    }
    const p = place(e);
    if (dragged === 'threshold') {
      onthreshold(nearest(thresholds, p.share));
    } else {
      at = p.ms;
      span = Math.abs(p.ms - from) > length / 200 ? [Math.min(from, p.ms), Math.max(from, p.ms)] : undefined;
    }
  }

  function key(e: KeyboardEvent) {
    const by =
      e.key === 'ArrowUp' || e.key === 'ArrowRight'
        ? 1
        : e.key === 'ArrowDown' || e.key === 'ArrowLeft'
          ? -1
          : 0;
    if (by !== 0) {
      e.preventDefault();
      onthreshold(beside(thresholds, threshold, by));
    }
  }
</script>

<div class="relative select-none" bind:clientWidth={width}>
  <svg
    bind:this={box}
    viewBox="0 0 {width} {TALL}"
    class="block h-[200px] w-full touch-none border border-line bg-sunken"
    onpointerdown={down}
    onpointermove={move}
    onpointerup={() => (dragged = undefined)}
    onpointercancel={() => (dragged = undefined)}
    role="img"
    aria-label="Level of motion over time"
  >
    {#each GRID as g (g)}
      <line x1="0" x2={width} y1={height(g) * TALL} y2={height(g) * TALL} stroke="var(--line)" />
      <text x={width - 4} y={height(g) * TALL - 3} text-anchor="end" class="fill-faint text-[11px]"
        >{percent(g * 100)}</text
      >
    {/each}
    {#each marks as m (m.id)}
      {@const a = m.from === m.until ? since(m.from) - 2000 : since(m.from)}
      {@const b = m.from === m.until ? since(m.until) + 2000 : since(m.until)}
      <rect
        x={x(a)}
        y="0"
        width={Math.max(2, x(b) - x(a))}
        height={TALL}
        fill={m.kind === 'wanted' ? 'var(--loss)' : 'var(--waste)'}
        opacity="0.16"
      />
      <text
        x={Math.max(3, x(a) + 3)}
        y={m.kind === 'wanted' ? 13 : 27}
        class="text-[11px] {m.kind === 'wanted' ? 'fill-loss' : 'fill-waste'}"
        >{m.kind === 'wanted' ? 'W' : 'U'} {m.word}</text
      >
    {/each}
    {#if span}
      <rect
        x={x(span[0])}
        y="0"
        width={x(span[1]) - x(span[0])}
        height={TALL}
        fill="var(--accent)"
        opacity="0.18"
      />
    {/if}
    {#if second}
      <path d={second} fill="none" stroke="var(--faint)" stroke-width="1" stroke-dasharray="3 3" />
    {/if}
    <path d={line} fill="none" stroke="var(--ink)" stroke-width="1.4" stroke-linejoin="round" />
    {#each recorded ?? [] as m (m.from)}
      <line x1={x(m.from)} x2={x(m.until)} y1={TALL - 1} y2={TALL - 1} stroke="var(--ink)" stroke-width="2" />
    {/each}
    {#each motion ?? [] as m (m.from)}
      <rect
        x={x(m.from)}
        y={TALL - 9}
        width={Math.max(2, x(m.until) - x(m.from))}
        height="6"
        fill="var(--t-motion)"
      />
    {/each}
    <line x1={x(at)} x2={x(at)} y1="0" y2={TALL} stroke="var(--accent)" stroke-width="1.5" />
    <line x1="0" x2={width} y1={y} y2={y} stroke="var(--accent)" stroke-width="2" stroke-dasharray="7 3" />
  </svg>
  <div
    class="absolute left-1 cursor-ns-resize rounded-sm bg-accent px-1.5 text-xs text-accent-ink focus-visible:outline-2 focus-visible:outline-offset-2 focus-visible:outline-accent"
    style:top="{Math.min(TALL - 18, Math.max(0, y - 9))}px"
    role="slider"
    tabindex="0"
    aria-label="Threshold"
    aria-orientation="vertical"
    aria-valuemin={Math.min(...thresholds) * 100}
    aria-valuemax={Math.max(...thresholds) * 100}
    aria-valuenow={threshold * 100}
    aria-valuetext={percent(threshold * 100)}
    onkeydown={key}
    onpointerdown={(e) => {
      e.preventDefault();
      (e.currentTarget as HTMLElement).focus();
      dragged = 'threshold';
      box!.setPointerCapture(e.pointerId);
    }}
  >
    {percent(threshold * 100)}
  </div>
</div>
