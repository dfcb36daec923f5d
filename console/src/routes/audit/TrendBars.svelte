<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { count } from '../../lib/format';

  /** Open findings at the end of each day: high ones solid, all others above them in outline. */
  let { days }: { days: Schemas['DayView'][] } = $props();

  const HEIGHT = 40;
  const most = $derived(Math.max(1, ...days.map((d) => d.high + d.medium + d.low)));
  const last = $derived(days.at(-1));
  const first = $derived(days[0]);

  const tall = (n: number) => (n / most) * HEIGHT;
  const said = (d: Schemas['DayView']) =>
    `${d.date}: ${count(d.high + d.medium + d.low, 'finding')} open, ${d.high} high; ${d.opened} new, ${d.ended} ended`;
</script>

{#if first && last}
  <figure class="text-xs text-faint">
    <svg
      viewBox="0 0 {days.length * 8} {HEIGHT}"
      width={days.length * 8}
      height={HEIGHT}
      role="img"
      aria-label="Open findings over {days.length} days, now {last.high + last.medium + last.low}"
    >
      {#each days as d, i (d.date)}
        {@const all = tall(d.high + d.medium + d.low)}
        {@const high = tall(d.high)}
        <g>
          <title>{said(d)}</title>
          <rect x={i * 8} y="0" width="8" height={HEIGHT} fill="transparent" />
          <rect x={i * 8 + 1} y={HEIGHT - all} width="6" height={all} fill="var(--line)" />
          <rect x={i * 8 + 1} y={HEIGHT - high} width="6" height={high} fill="var(--loss)" />
          {#if all === 0}<rect x={i * 8 + 1} y={HEIGHT - 1} width="6" height="1" fill="var(--line)" />{/if}
        </g>
      {/each}
    </svg>
    <figcaption class="mt-1 flex justify-between gap-4">
      <span>open by day, {days.length} days</span><span>{last.opened} new, {last.ended} ended today</span>
    </figcaption>
  </figure>
{/if}
