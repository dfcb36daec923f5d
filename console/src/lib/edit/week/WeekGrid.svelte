<script lang="ts">
  import { perDay, time, type Run } from '../../week';
  import DayRow from './DayRow.svelte';
  import { share, type WeekBoard } from './week-board.svelte';
  import { runsOf } from './week-draft.svelte';

  let { board, label, inherited }: { board: WeekBoard; label: string; inherited: Run[] } = $props();

  const own = $derived(perDay(runsOf(board.draft.minutes)));
  const above = $derived(perDay(inherited));
</script>

<div class="relative overflow-x-auto">
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <div
    class="min-w-[520px] select-none"
    role="application"
    tabindex="0"
    aria-label="{label}: arrows move, Shift with arrows makes longer, Enter paints{board.oneDay
      ? ''
      : ', Delete erases'}, Alt for single minutes"
    onkeydown={board.onKey}
  >
    <div class="relative ml-12 h-5 text-xs text-faint" aria-hidden="true">
      {#each [0, 6, 12, 18, 24] as hour (hour)}
        <span
          class="absolute {hour === 24 ? '-translate-x-full' : hour === 0 ? '' : '-translate-x-1/2'}"
          style:left={share(hour * 60)}>{time(hour * 60)}</span
        >
      {/each}
    </div>
    {#each board.rows as name, day (name)}
      <div class="flex items-stretch gap-2 py-[3px]">
        <div class="w-10 pt-2 text-right text-xs leading-5 text-faint">{name}</div>
        <DayRow {board} {day} above={above[day] ?? []} own={own[day] ?? []} />
      </div>
    {/each}
  </div>
</div>
