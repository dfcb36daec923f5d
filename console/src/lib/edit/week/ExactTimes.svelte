<script lang="ts">
  import { DAYS } from '../../week';
  import type { WeekBoard } from './week-board.svelte';

  let { board }: { board: WeekBoard } = $props();

  let from = $state('06:00');
  let to = $state('18:30');
  let days = $state([0, 1, 2, 3, 4]);
  let copied = $state(0);
</script>

<fieldset class="grid content-start gap-2 text-sm">
  <legend class="head mb-1">Exact times</legend>
  <div class="flex flex-wrap items-center gap-2">
    <input class="field w-20" pattern="[0-2][0-9]:[0-5][0-9]" bind:value={from} aria-label="From" />
    to
    <input
      class="field w-20"
      pattern="[0-2][0-9]:[0-5][0-9]"
      bind:value={to}
      aria-label="To; 24:00 is the end of the day"
    />
    <button
      type="button"
      class="act"
      onclick={() => board.paintTyped(days, from, to)}
      disabled={!board.oneDay && days.length === 0}>Paint</button
    >
  </div>
  {#if board.wrong}<p class="text-loss">{board.wrong}</p>{/if}
  {#if !board.oneDay}
    <div class="flex flex-wrap gap-2">
      {#each DAYS as day, i (day)}
        <label class="flex items-center gap-1"
          ><input type="checkbox" value={i} bind:group={days} />{day}</label
        >
      {/each}
    </div>
    <div class="flex flex-wrap items-center gap-2 pt-1">
      <label
        >Copy <select class="field py-0" bind:value={copied} aria-label="Day to copy">
          {#each DAYS as day, i (day)}<option value={i}>{day}</option>{/each}
        </select></label
      >
      <button
        type="button"
        class="act"
        onclick={() =>
          board.draft.copyDay(
            copied,
            days.filter((d) => d !== copied),
          )}>to the days ticked above</button
      >
    </div>
  {/if}
</fieldset>
