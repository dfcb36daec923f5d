<script lang="ts">
  import { untrack } from 'svelte';
  import type { Run } from '../../week';
  import ExactTimes from './ExactTimes.svelte';
  import WeekBrushes from './WeekBrushes.svelte';
  import WeekGrid from './WeekGrid.svelte';
  import { WeekBoard } from './week-board.svelte';
  import type { WeekDraft } from './week-draft.svelte';

  /**
   * Drag paints, the keyboard does too, and the text beside stays in step. Levels are sensitivities, drawn as high as
   * they are; otherwise the values are what starts recording.
   */
  let {
    draft,
    inherited = [],
    label = 'Week',
    levels = false,
  }: { draft: WeekDraft; inherited?: Run[]; label?: string; levels?: boolean } = $props();

  const board = untrack(() => new WeekBoard(draft, levels));
</script>

<div class="grid grid-cols-1 gap-4">
  <WeekBrushes {board} {label} />
  <WeekGrid {board} {label} {inherited} />
  <p class="sr-only" aria-live="polite">{board.said}</p>
  {#if !board.oneDay}
    <p class="text-xs text-faint">
      The thin row above is what other layers say; the full one is what is said here. Where nothing is said
      here, theirs holds. Drag to paint; Alt while dragging for single minutes.
    </p>
  {/if}

  <div class="grid gap-4 md:grid-cols-2">
    <ExactTimes {board} />
    <label>
      <span class="head mb-1 block">The same as text, one window a line</span>
      <textarea
        class="field native h-24 w-full leading-5"
        spellcheck="false"
        name="{label}-text"
        value={draft.text}
        oninput={(e) => draft.type(e.currentTarget.value)}
        aria-invalid={draft.fault ? 'true' : undefined}></textarea>
      {#if draft.fault}
        <span class="block text-sm text-loss" role="alert"
          >Line {draft.fault.line}: {draft.fault.message}</span
        >
      {/if}
    </label>
  </div>
</div>
