<script lang="ts">
  import { createQuery, keepPreviousData, skipToken } from '@tanstack/svelte-query';
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../api/client';
  import { rested } from '../../rested.svelte';
  import { AreaBoard } from './area-board.svelte';
  import type { AreaDraft } from './area-draft.svelte';
  import AreaForm from './AreaForm.svelte';
  import AreaList from './AreaList.svelte';
  import AreaPicture from './AreaPicture.svelte';

  /** Areas drawn on the picture of a camera, with what its recorder would hold for them. */
  let {
    draft,
    camera,
    inherited = [],
    alone = false,
  }: { draft: AreaDraft; camera: string; inherited?: Schemas['AreaView'][]; alone?: boolean } = $props();

  const board = untrack(() => new AreaBoard(draft));
  const drawn = rested(() => ({ camera, areas: draft.text, alone }), 250);
  const judged = createQuery(() => {
    const body = drawn.current;
    return {
      queryKey: ['area-draft', body],
      queryFn: body ? ({ signal }) => ask(api.POST('/api/v1/area-drafts', { body, signal })) : skipToken,
      placeholderData: keepPreviousData,
      gcTime: 0,
    };
  });
  const cells = $derived(judged.data?.cells ?? []);
  $effect(() => {
    board.grid = [cells[0]?.length ?? 22, cells.length || 18];
  });
</script>

<svelte:window onkeydown={board.onWindow} />
<div class="grid grid-cols-1 gap-4 lg:grid-cols-[3fr_2fr]">
  <div>
    <div class="mb-2 flex flex-wrap gap-2 text-sm">
      <button
        type="button"
        class="act"
        aria-pressed={board.drawing !== undefined}
        onclick={() => board.begin()}>Draw a polygon</button
      >
      <button type="button" class="act" onclick={() => board.addRectangle()}>Add a rectangle</button>
      <button type="button" class="act" onclick={() => board.addCells()}>Paint cells</button>
      <span class="flex-1"></span>
      <button type="button" class="act" onclick={() => draft.undo()} disabled={!draft.canUndo}>Undo</button>
      <button type="button" class="act" onclick={() => draft.redo()} disabled={!draft.canRedo}>Redo</button>
    </div>
    <AreaPicture {board} {camera} {inherited} {cells} />
    {#if judged.data?.approximated}
      <p class="text-sm text-cannot">Approximated: {judged.data.approximated}.</p>
    {/if}
    {#if judged.data?.cannot}
      <p class="text-sm text-cannot">Cannot be honoured: {judged.data.cannot}.</p>
    {/if}
    {#if judged.error}<p class="text-sm text-loss" role="alert">{judged.error.message}</p>{/if}
  </div>
  <div class="text-sm">
    <AreaList {draft} {inherited} />
    {#if draft.current}<AreaForm {draft} area={draft.current} shapeless={board.shapeless} />{/if}
  </div>
</div>
