<script lang="ts">
  import type { Schemas } from '../api/client';

  /** Dot on the notch: in tune. Left: towards loss, right: towards waste, further out for a larger difference. */
  let { mark, wide = false }: { mark: Schemas['MarkView']; wide?: boolean } = $props();

  const NOTCH = 20;
  const STEP = 5;
  const offset = $derived(mark.size * STEP);
</script>

<svg
  viewBox="0 0 40 12"
  class="inline-block shrink-0 align-middle {wide ? 'h-[18px] w-[60px]' : 'h-3 w-10'}"
  role="img"
  aria-label={mark.text}
>
  <title>{mark.text}</title>
  {#if mark.kind === 'not-governed'}
    <path d="M2 6h36" stroke="var(--line)" stroke-dasharray="1 3" />
  {:else if mark.kind === 'unknown'}
    <path d="M2 6h11M27 6h11" stroke="var(--unknown)" />
    <path d="M20 3.5v5" stroke="var(--unknown)" />
  {:else}
    <path d="M2 6h36M20 2.5v7" stroke="var(--faint)" stroke-opacity="0.65" />
    {#if mark.kind === 'in-tune'}
      <circle cx={NOTCH} cy="6" r="2.1" fill="var(--faint)" />
    {:else if mark.kind === 'waiting'}
      <circle cx={NOTCH} cy="6" r="3" fill="var(--paper)" stroke="var(--waiting)" stroke-width="1.6" />
    {:else if mark.kind === 'cannot'}
      <rect x={NOTCH - 3} y="3" width="6" height="6" fill="var(--cannot)" />
    {:else}
      {#if mark.kind !== 'waste'}
        <circle cx={NOTCH - offset} cy="6" r="3.2" fill="var(--loss)" />
      {/if}
      {#if mark.kind !== 'loss'}
        <circle cx={NOTCH + offset} cy="6" r="3.2" fill="var(--waste)" />
      {/if}
    {/if}
  {/if}
</svg>
