<svelte:options namespace="svg" />

<script lang="ts">
  import { H, path, W, type AreaBoard } from './area-board.svelte';
  import { outline, type Area } from './area-draft.svelte';

  /** One area as it is drawn: its outline, or its cells. */
  let {
    area,
    chosen,
    on,
    onchosen,
  }: { area: Area; chosen: boolean; on: ReturnType<AreaBoard['on']>; onchosen: () => void } = $props();

  const ignored = $derived(area.kind === 'ignore');
  const fill = $derived(ignored ? '#d99657' : '#7cc7d6');
</script>

{#if area.shape === 'cells'}
  {#each area.rows as row, r (r)}
    {#each row.split('') as cell, c (c)}
      {#if cell === '#' || chosen}
        <rect
          role="presentation"
          x={(c * W) / row.length}
          y={(r * H) / area.rows.length}
          width={W / row.length}
          height={H / area.rows.length}
          fill={cell === '#' ? fill : 'transparent'}
          fill-opacity="0.4"
          stroke="#fff"
          stroke-opacity={chosen ? 0.35 : 0}
          stroke-width="0.5"
          onpointerdown={on.onpointerdown}
        />
      {/if}
    {/each}
  {/each}
{:else if area.shape}
  <polygon
    points={path(outline(area))}
    {fill}
    fill-opacity={chosen ? 0.3 : 0.12}
    stroke="#fff"
    stroke-width="5"
    stroke-opacity="0.85"
    pointer-events="none"
  />
  <polygon
    role="button"
    tabindex="0"
    aria-label="{area.kind} {area.name}: arrows move it, Shift in larger steps, Delete removes it"
    points={path(outline(area))}
    fill="transparent"
    stroke={ignored ? '#8a4a10' : '#0b5a6b'}
    stroke-width="2.5"
    stroke-dasharray={ignored ? '9 6' : undefined}
    class="cursor-move"
    onfocus={onchosen}
    {...on}
  />
{/if}
