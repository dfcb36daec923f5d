<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import Unwatched from '../lib/edit/area/Unwatched.svelte';

  /** Areas as drawn, over the cells that the recorder ought to watch and does watch. */
  let {
    camera,
    areas,
    wanted,
    observed,
  }: { camera: string; areas: Schemas['AreaView'][]; wanted: string[]; observed: string[] } = $props();

  let broken = $state(false);

  const WIDTH = 320;
  const HEIGHT = 180;
  const cells = $derived(observed.length > 0 ? observed : wanted);
  const columns = $derived(cells[0]?.length ?? 1);
  const rows = $derived(cells.length || 1);
  const w = $derived(WIDTH / columns);
  const h = $derived(HEIGHT / rows);

  function differs(row: number, column: number): 'lost' | 'gained' | undefined {
    if (wanted.length === 0 || observed.length === 0) {
      return undefined;
    }
    const want = wanted[row]?.[column] === '#';
    const have = observed[row]?.[column] === '#';
    return want === have ? undefined : want ? 'lost' : 'gained';
  }

  function outline(area: Schemas['AreaView']): string {
    const scaled = area.points.map(([x = 0, y = 0]) => [x * WIDTH, y * HEIGHT] as const);
    const [a, b] = scaled;
    const corners =
      area.shape === 'rectangle' && a && b ? [a, [b[0], a[1]] as const, b, [a[0], b[1]] as const] : scaled;
    return corners.map((c) => c.join(',')).join(' ');
  }
</script>

{#if cells.length === 0 && broken}
  <p class="text-sm text-faint">No areas are asked for, and none were read: the whole picture counts.</p>
{:else}
  <svg
    viewBox="0 0 {WIDTH} {HEIGHT}"
    class="w-full max-w-[560px] border border-line bg-sunken"
    role="img"
    aria-label="Cells that the recorder watches, with the areas of the policy"
  >
    <Unwatched />
    {#if !broken}
      <image
        href="/api/v1/cameras/{camera}/still"
        width={WIDTH}
        height={HEIGHT}
        preserveAspectRatio="none"
        onerror={() => (broken = true)}
      />
    {/if}
    {#each cells as row, r (r)}
      {#each row.split('') as cell, c (c)}
        {@const difference = differs(r, c)}
        {#if cell !== '#' || difference}
          <rect
            x={c * w}
            y={r * h}
            width={w + 0.2}
            height={h + 0.2}
            fill={difference === 'lost'
              ? 'var(--loss)'
              : difference === 'gained'
                ? 'var(--waste)'
                : 'url(#unwatched)'}
            fill-opacity={difference ? 0.7 : 1}
          />
        {/if}
      {/each}
    {/each}
    {#each areas.filter((a) => a.points.length > 0) as area (area.name)}
      <polygon
        points={outline(area)}
        fill="none"
        stroke="#fff"
        stroke-width="1.5"
        stroke-dasharray={area.kind === 'ignore' ? '4 3' : undefined}
      />
    {/each}
  </svg>
  <ul class="mt-2 text-sm">
    {#each areas as area (area.name)}
      <li>
        <span class="font-semibold">{area.kind} {area.name}</span>
        <span class="text-faint"
          >{area.shape ?? 'without a shape'}{area.sensitivity
            ? `, sensitivity ${area.sensitivity}`
            : ''}{area.threshold ? `, threshold ${area.threshold}` : ''}; {area.origins
            .map((o) => o.text)
            .join(', ')}</span
        >
      </li>
    {/each}
  </ul>
  <p class="mt-1 text-xs text-faint">
    Hatched cells are not watched{wanted.length > 0 && observed.length > 0
      ? '; orange ones ought to be and are not, ochre ones are and ought not'
      : ''}. Dashed outlines are ignored.
  </p>
{/if}
