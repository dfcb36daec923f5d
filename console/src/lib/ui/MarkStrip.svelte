<script lang="ts">
  import { dots, type Member } from './strip';

  /** `quiet` members stand on the notch; the others are drawn where they are. */
  let { members, quiet, label }: { members: readonly Member[]; quiet: number; label: string } = $props();

  const drawn = $derived(dots(members, quiet));
</script>

<svg viewBox="0 0 56 14" class="inline-block h-3.5 w-14 align-middle" role="img" aria-label={label}>
  <title>{label}</title>
  <path d="M2 7h52M28 4v6" stroke="var(--line)" />
  {#each drawn as dot (dot.kind + dot.x)}
    {#if dot.kind === 'waiting'}
      <circle
        cx={dot.x}
        cy="7"
        r={dot.radius}
        fill="var(--paper)"
        stroke="var(--waiting)"
        stroke-width="1.6"
      />
    {:else if dot.kind === 'unknown'}
      <path d="M{dot.x - 7} 7h14" stroke="var(--paper)" stroke-width="3" />
      <path d="M{dot.x - 8} 4v6M{dot.x + 8} 4v6" stroke="var(--unknown)" stroke-width="1.4" />
    {:else if dot.kind === 'cannot'}
      <rect
        x={dot.x - 2.5}
        y="4.5"
        width="5"
        height="5"
        fill="var(--paper)"
        stroke="var(--cannot)"
        stroke-opacity="0.7"
      />
    {:else if dot.kind === 'in-tune'}
      <circle cx={dot.x} cy="7" r={dot.radius} fill="var(--faint)" fill-opacity="0.6" />
    {:else}
      <circle cx={dot.x} cy="7" r={dot.radius} fill={dot.kind === 'loss' ? 'var(--loss)' : 'var(--waste)'} />
    {/if}
  {/each}
</svg>
