<script lang="ts">
  import { texture } from '../../week';
  import type { WeekBoard } from './week-board.svelte';

  let { board, label }: { board: WeekBoard; label: string } = $props();

  const swatch = (brush: string) => (brush === 'erase' ? '' : brush === 'level' ? 't-level' : texture(brush));
</script>

<div class="flex flex-wrap items-center gap-2" role="radiogroup" aria-label="What to paint">
  {#each board.brushes as brush (brush)}
    <label
      class="flex cursor-pointer items-center gap-1.5 rounded border px-2 py-0.5 text-sm {board.brush ===
      brush
        ? 'border-accent bg-accent-wash font-semibold'
        : 'border-line'}"
    >
      <input type="radio" class="sr-only" bind:group={board.brush} value={brush} name="{label}-paint" />
      <span class="inline-block h-3.5 w-5 border border-line {swatch(brush)}" aria-hidden="true"></span>
      {brush === 'level' ? 'sensitivity' : brush}
    </label>
  {/each}
  {#if board.levels}
    <input
      type="range"
      min="0"
      max="100"
      class="w-32 accent-accent"
      aria-label="Sensitivity to paint, 0 to 100"
      value={board.level}
      oninput={(e) => board.paintLevel(e.currentTarget.value)}
    />
    <input class="field w-16 py-0 text-right" bind:value={board.level} aria-label="Sensitivity to paint" />
  {/if}
  <span class="flex-1"></span>
  <button type="button" class="act text-sm" onclick={() => board.draft.undo()} disabled={!board.draft.canUndo}
    >Undo</button
  >
  <button type="button" class="act text-sm" onclick={() => board.draft.redo()} disabled={!board.draft.canRedo}
    >Redo</button
  >
</div>
