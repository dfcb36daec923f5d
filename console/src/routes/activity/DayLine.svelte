<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { letter, texture } from '../../lib/week';
  import { dayWords, textureOf, within, type DaySums } from './days';

  /** One day: what was asked for, what was recorded, what moved, under one another. */
  let {
    view,
    day,
    strong,
    at,
    onat,
  }: {
    view: Schemas['TimelineView'];
    day: DaySums;
    strong: boolean;
    at: number | undefined;
    onat: (instant: number) => void;
  } = $props();

  const begin = $derived(Date.parse(day.begins));
  const place = $derived(at === undefined ? undefined : (at - begin) / (day.length * 1000));

  function point(e: MouseEvent) {
    const r = (e.currentTarget as HTMLElement).getBoundingClientRect();
    onat(begin + ((e.clientX - r.left) / r.width) * day.length * 1000);
  }

  const HOURS = [0, 3, 6, 9, 12, 15, 18, 21];

  interface Placed<T> {
    span: T;
    left: string;
    width: string;
    share: number;
  }

  const placed = <T extends { from: string; until: string }>(spans: T[]): Placed<T>[] =>
    spans.flatMap((span): Placed<T>[] => {
      const place = within(day, span);
      return place
        ? [{ span, left: `${place.left * 100}%`, width: `${place.width * 100}%`, share: place.width }]
        : [];
    });

  const asked = $derived(placed(view.demanded));
  const known = $derived(placed(view.known));
  const recorded = $derived(placed(view.recorded));
  const motion = $derived(placed(view.motion));
  const missing = $derived(placed(view.missing));
</script>

<div class="grid grid-cols-[84px_1fr_64px] items-center gap-x-3 py-1.5 text-xs">
  <span class="row-span-3 text-right {strong ? 'font-semibold' : 'text-faint'}">{dayWords(day.date)}</span>
  <div class="line h-2.5" role="img" aria-label="asked for on {dayWords(day.date)}">
    {#each asked as part (part.span.from)}
      <div
        class={texture(part.span.triggers)}
        style:left={part.left}
        style:width={part.width}
        title={part.span.triggers}
      ></div>
    {/each}
  </div>
  <span class="text-faint">asked</span>
  <!-- A pointer's shorter way; the field under the days takes any moment. -->
  <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_noninteractive_element_interactions -->
  <div
    class="line h-4 cursor-pointer"
    onclick={point}
    role="img"
    aria-label="recorded on {dayWords(day.date)}{missing.length > 0
      ? `, ${missing.length} stretches missing`
      : ''}"
  >
    <div class="unknown inset-x-0"></div>
    {#each known as part (part.span.from)}
      <div class="known" style:left={part.left} style:width={part.width}></div>
    {/each}
    {#each recorded as part (part.span.from)}
      <div
        class={textureOf(part.span.by)}
        style:left={part.left}
        style:width={part.width}
        title="{part.span.by}{part.span.guessed ? ', by the look of it' : ''}"
      >
        {#if part.share > 0.04}<span class="letter {part.span.by === 'continuous' ? '' : 'backed'}"
            >{letter(part.span.by)}</span
          >{/if}
      </div>
    {/each}
    {#each missing as part (part.span.from + part.span.demanded)}
      <div
        class="gap"
        style:left={part.left}
        style:width={part.width}
        title="missing: {part.span.words}"
      ></div>
    {/each}
    {#if place !== undefined && place >= 0 && place < 1}<b style:left="{place * 100}%"></b>{/if}
  </div>
  <span class="text-faint">recorded</span>
  <div class="line h-2" role="img" aria-label="moved on {dayWords(day.date)}: {day.events} events">
    {#each motion as part (part.span.from)}
      <div class="moved" style:left={part.left} style:width={part.width}></div>
    {/each}
    {#each HOURS as hour (hour)}
      <i style:left="{(hour / 24) * 100}%" aria-hidden="true"></i>
    {/each}
  </div>
  <span class="text-faint">moved</span>
</div>

<style>
  .line {
    position: relative;
    margin-bottom: 1px;
    overflow: hidden;
    border-radius: 2px;
    background: var(--sunken);
  }
  .line > div {
    position: absolute;
    top: 0;
    bottom: 0;
    min-width: 1px;
  }
  .line > i {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 1px;
    background: var(--faint);
    opacity: 0.5;
  }
  .line > b {
    position: absolute;
    top: 0;
    bottom: 0;
    width: 2px;
    background: var(--accent);
    outline: 1px solid var(--paper);
  }
  .letter {
    margin-left: 3px;
    border-radius: 2px;
    padding: 0 2px;
    font-size: 12px;
    font-weight: 600;
    line-height: 16px;
  }
  .backed {
    background: color-mix(in srgb, var(--raised) 80%, transparent);
  }
  .unknown {
    background: repeating-linear-gradient(135deg, var(--paper) 0 3px, var(--line) 3px 4px);
  }
  .known {
    background: var(--sunken);
  }
  .gap {
    border-top: 4px solid var(--loss);
    background: color-mix(in srgb, var(--loss) 22%, transparent);
  }
  .moved {
    background: var(--ink);
  }
</style>
