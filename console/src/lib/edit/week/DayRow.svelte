<script lang="ts">
  import { letter, texture, time, type Piece, type Run } from '../../week';
  import { share, type WeekBoard } from './week-board.svelte';

  /** One day: what other layers say as a thin row, what is said here as a full one, and what is about to be painted. */
  let { board, day, above, own }: { board: WeekBoard; day: number; above: Piece<Run>[]; own: Piece<Run>[] } =
    $props();

  const cursor = $derived(board.cursor);
</script>

<div
  class="relative h-9 flex-1 cursor-crosshair touch-none rounded-[3px] bg-sunken"
  role="presentation"
  data-day={day}
  {...board.onDay(day)}
>
  {#each above as piece (piece.from)}
    <div
      class="pointer-events-none absolute top-0 h-[9px] overflow-hidden text-[9px] leading-[9px] opacity-70 {board.levels
        ? 't-level'
        : texture(piece.run.triggers)}"
      style:left={share(piece.from)}
      style:width={share(piece.to - piece.from)}
      title="inherited {time(piece.from)}–{time(piece.to)} {piece.run.triggers}"
    ></div>
  {/each}
  {#each own as piece (piece.from)}
    <div
      class="pointer-events-none absolute top-[11px] flex h-[23px] items-center overflow-hidden border-r border-paper px-1 text-xs font-semibold {board.levels
        ? ''
        : texture(piece.run.triggers)}"
      style:left={share(piece.from)}
      style:width={share(piece.to - piece.from)}
    >
      {#if board.levels}
        <div
          class="t-level absolute inset-x-0 bottom-0"
          style:height="{Math.max(4, Number(piece.run.triggers))}%"
        ></div>
      {/if}
      <span class="relative rounded-xs px-0.5 {piece.run.triggers === 'continuous' ? '' : 'bg-raised/80'}"
        >{letter(piece.run.triggers) || 'none'}</span
      >
    </div>
  {/each}
  {#if cursor.day === day}
    <div
      class="pointer-events-none absolute top-[9px] h-[27px] border-2 border-ink"
      style:left={share(Math.min(cursor.from, cursor.to))}
      style:width={share(Math.max(Math.abs(cursor.to - cursor.from), 4))}
    ></div>
  {/if}
</div>
