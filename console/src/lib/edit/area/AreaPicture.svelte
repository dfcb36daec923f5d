<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { stillAddress } from '../../camera';
  import { H, path, W, type AreaBoard } from './area-board.svelte';
  import { outline } from './area-draft.svelte';
  import AreaShape from './AreaShape.svelte';
  import Unwatched from './Unwatched.svelte';

  /** The picture with the areas on it; `cells` are those that the recorder would watch, one line a row. */
  let {
    board,
    camera,
    inherited,
    cells,
  }: {
    board: AreaBoard;
    camera: string;
    inherited: Schemas['AreaView'][];
    cells: readonly string[];
  } = $props();

  const draft = $derived(board.draft);
  const area = $derived(draft.current);
  const still = $derived(stillAddress(camera));
  let missing = $state('');
  const dotted = $derived(
    inherited.filter(
      (a) =>
        a.points.length > 0 &&
        !draft.areas.some((own) => own.name === a.name && (own.shape !== '' || own.kind === 'remove')),
    ),
  );
</script>

<svg
  bind:this={board.picture}
  viewBox="0 0 {W} {H}"
  class="w-full touch-none overflow-visible border border-line bg-sunken {board.drawing
    ? 'cursor-crosshair'
    : ''}"
  role="group"
  aria-label="Picture of {camera} with its areas"
  {...board.onPicture}
>
  {#if missing !== still}
    <image href={still} width={W} height={H} preserveAspectRatio="none" onerror={() => (missing = still)} />
  {/if}
  <Unwatched />
  {#each cells as row, r (r)}
    {#each row.split('') as cell, c (c)}
      {#if cell !== '#'}
        <rect
          x={(c * W) / row.length}
          y={(r * H) / cells.length}
          width={W / row.length + 0.3}
          height={H / cells.length + 0.3}
          fill="url(#unwatched)"
          pointer-events="none"
        />
      {/if}
    {/each}
  {/each}
  {#each dotted as a (a.name)}
    <polygon
      points={path(outline({ shape: a.shape ?? '', points: a.points }))}
      fill="none"
      stroke="#fff"
      stroke-width="2"
      stroke-dasharray="2 5"
      pointer-events="none"
    />
  {/each}
  {#each draft.areas as a, i (i)}
    <AreaShape
      area={a}
      chosen={i === draft.selected}
      on={board.on(i)}
      onchosen={() => (draft.selected = i)}
    />
  {/each}
  {#if area && area.shape !== 'cells' && !board.drawing}
    {#each area.points as [x, y], corner (corner)}
      <circle
        role="button"
        tabindex="0"
        aria-label="corner {corner +
          1} of {area.name}: arrows move it, plus adds one behind it, Delete removes it"
        cx={x * W}
        cy={y * H}
        r="7"
        fill="#fff"
        stroke="#0b5a6b"
        stroke-width="2.5"
        class="cursor-grab"
        {...board.on(draft.selected, corner)}
      />
    {/each}
  {/if}
  {#if board.drawing}
    <polyline
      points={path(board.drawing)}
      fill="none"
      stroke="#fff"
      stroke-width="3"
      stroke-dasharray="6 4"
    />
    {#each board.drawing as [x, y], i (i)}<circle cx={x * W} cy={y * H} r="4" fill="#fff" />{/each}
  {/if}
</svg>
<p class="mt-1 text-xs text-faint">
  {#if board.drawing}
    Click the corners; double click or Enter closes the polygon, Escape gives up.
  {:else}
    Hatched cells are those that the recorder would not watch; outlines are what is asked, dashed where it is
    ignored.
  {/if}
</p>
{#if missing === still}<p class="text-xs text-faint">The camera gives no picture now.</p>{/if}
