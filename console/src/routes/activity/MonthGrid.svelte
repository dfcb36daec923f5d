<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { cameraPath } from '../../router';
  import DayBar from './DayBar.svelte';
  import { cellWords, datesOf, isWeekend, lengthWords, summary, type Month } from './days';
  import Timeline from './Timeline.svelte';

  /** Cameras down, days across; each day a bar of what was recorded, by what. */
  let {
    cameras,
    month,
    today,
    chosen,
    onchoose,
  }: {
    cameras: Schemas['CameraDays'][];
    month: Month;
    today: string;
    chosen: { camera: string; date: string } | undefined;
    onchoose: (camera: string, date: string) => void;
  } = $props();

  const dates = $derived(datesOf(month));
  let at = $state({ row: 0, column: 0 });
  let grid = $state<HTMLElement>();

  const MOVES: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  };

  function move(event: KeyboardEvent, row: number, column: number) {
    const by = MOVES[event.key];
    const next = by
      ? { row: row + by[0], column: column + by[1] }
      : event.key === 'Home'
        ? { row, column: 0 }
        : event.key === 'End'
          ? { row, column: dates.length - 1 }
          : undefined;
    if (!next || !cameras[next.row] || !dates[next.column]) {
      return;
    }
    event.preventDefault();
    at = next;
    grid?.querySelector<HTMLElement>(`[data-cell="${next.row}-${next.column}"]`)?.focus();
  }
</script>

<div class="overflow-x-auto" bind:this={grid}>
  <div
    class="min-w-[880px] print:min-w-0"
    role="grid"
    aria-label="What was recorded, cameras down, days across"
    aria-rowcount={cameras.length + 1}
    aria-colcount={dates.length + 4}
  >
    <div class="row border-b border-line pb-1" role="row">
      <span class="head" role="columnheader">Camera</span>
      <div class="days" role="presentation">
        {#each dates as date (date)}
          <span
            class="text-center text-xs text-faint {isWeekend(date) ? 'font-semibold text-ink' : ''}"
            role="columnheader">{Number(date.slice(8))}</span
          >
        {/each}
      </div>
      <span class="head text-right" role="columnheader">Recorded a day</span>
      <span class="head text-right" role="columnheader">Events a day</span>
      <span class="head text-right" role="columnheader">Missing</span>
    </div>
    {#each cameras as camera, row (camera.camera)}
      {@const days = new Map(camera.days.map((d) => [d.date, d]))}
      {@const sum = summary(camera.days)}
      <div class="row border-b border-line/60 py-1" role="row" aria-rowindex={row + 2}>
        <span class="min-w-0 text-sm" role="rowheader">
          <a class="native" href={cameraPath(camera.camera)}>{camera.camera}</a>
          <span class="block truncate font-semibold">{camera.label}</span>
        </span>
        <div class="days" role="presentation">
          {#each dates as date, column (date)}
            {@const day = days.get(date)}
            {@const isChosen = chosen?.camera === camera.camera && chosen.date === date}
            <button
              type="button"
              role="gridcell"
              class="cell {isChosen ? 'chosen' : ''} {isWeekend(date) ? 'weekend' : ''}"
              data-cell="{row}-{column}"
              tabindex={at.row === row && at.column === column ? 0 : -1}
              aria-label={cellWords(date, day, today)}
              aria-selected={isChosen}
              title={cellWords(date, day, today)}
              onfocus={() => (at = { row, column })}
              onkeydown={(e) => move(e, row, column)}
              onclick={() => onchoose(camera.camera, date)}
            >
              <DayBar {day} past={date <= today} />
            </button>
          {/each}
        </div>
        <span class="text-right text-sm" role="gridcell"
          >{sum.recordedADay === undefined ? 'not known' : lengthWords(sum.recordedADay)}</span
        >
        <span class="text-right text-sm" role="gridcell"
          >{sum.eventsADay === undefined ? 'not known' : Math.round(sum.eventsADay)}</span
        >
        <span class="text-right text-sm {sum.missing > 0 ? 'font-semibold text-loss' : ''}" role="gridcell"
          >{sum.missing > 0 ? lengthWords(sum.missing) : ''}</span
        >
      </div>
      {#if chosen && chosen.camera === camera.camera}
        <div class="border-b border-line bg-raised px-3 py-4" role="row">
          <div role="gridcell"><Timeline camera={camera.camera} date={chosen.date} /></div>
        </div>
      {/if}
    {/each}
  </div>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: 148px minmax(480px, 1fr) 88px 64px 84px;
    align-items: center;
    column-gap: 12px;
  }
  @media print {
    .row {
      grid-template-columns: 128px minmax(0, 1fr) 72px 52px 72px;
      column-gap: 8px;
    }
  }
  .days {
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
    gap: 2px;
  }
  .cell {
    position: relative;
    display: flex;
    height: 34px;
    flex-direction: column-reverse;
    overflow: hidden;
    border-radius: 2px;
    background: var(--sunken);
  }
  .cell.weekend {
    background: color-mix(in srgb, var(--sunken) 70%, var(--line));
  }
  .cell.chosen {
    outline: 2px solid var(--accent);
    outline-offset: 1px;
  }
</style>
