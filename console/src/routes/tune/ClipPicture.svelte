<script lang="ts">
  import { api, ask } from '../../lib/api/client';

  /** A picture of a clip, with the cells that change in it, and those that are to be left out. */
  let {
    clip,
    begin,
    at,
    picture,
    step,
    ignored,
    label,
  }: {
    clip: number;
    begin: number;
    at: number;
    picture: number;
    step: number;
    ignored: string[];
    label: string;
  } = $props();

  const WIDTH = 320;
  const HEIGHT = 180;
  let cells = $state.raw<{ columns: number; rows: number; shares: number[] } | undefined>();
  let asked = 0;

  $effect(() => {
    const number = ++asked;
    void ask(
      api.GET('/api/v1/clips/{id}/cells', { params: { path: { id: clip }, query: { picture, step } } }),
    ).then(
      (found) => {
        if (number === asked) {
          const raw = atob(found.shares);
          cells = {
            columns: found.columns,
            rows: found.rows,
            shares: Array.from(raw, (c) => c.charCodeAt(0)),
          };
        }
      },
      () => (cells = undefined),
    );
  });

  const src = $derived(
    `/api/v1/clips/${clip}/picture?at=${encodeURIComponent(new Date(begin + at).toISOString())}`,
  );
  const w = $derived(cells ? WIDTH / cells.columns : 0);
  const h = $derived(cells ? HEIGHT / cells.rows : 0);
  const columns = $derived(ignored[0]?.length ?? 1);
</script>

<svg
  viewBox="0 0 {WIDTH} {HEIGHT}"
  class="w-full border border-line bg-sunken"
  role="img"
  aria-label="{label}; cells that change are marked"
>
  <defs>
    <pattern id="left-out" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <rect width="6" height="6" fill="#000" opacity="0.35" />
      <line x1="0" y1="0" x2="0" y2="6" stroke="#fff" stroke-width="1.5" opacity="0.7" />
    </pattern>
  </defs>
  <image href={src} width={WIDTH} height={HEIGHT} preserveAspectRatio="none" />
  {#each ignored as row, r (r)}
    {#each row.split('') as cell, c (c)}
      {#if cell === '#'}
        <rect
          x={(c * WIDTH) / columns}
          y={(r * HEIGHT) / ignored.length}
          width={WIDTH / columns + 0.2}
          height={HEIGHT / ignored.length + 0.2}
          fill="url(#left-out)"
        />
      {/if}
    {/each}
  {/each}
  {#each cells?.shares ?? [] as part, i (i)}
    {#if part > 12 && cells}
      <rect
        x={(i % cells.columns) * w}
        y={Math.floor(i / cells.columns) * h}
        width={w}
        height={h}
        fill="var(--loss)"
        fill-opacity={0.25 + (0.5 * part) / 255}
        stroke="#fff"
        stroke-opacity="0.5"
        stroke-width="0.4"
      />
    {/if}
  {/each}
</svg>
