<script lang="ts">
  import { place, days, type Store } from './room';

  /** For how long footage lives on a store: now above, then below, and where it is wanted. */
  let { store, scale }: { store: Store; scale: number } = $props();

  const atLeast = $derived(store.size?.atLeast ?? false);
  const sides = $derived([
    { word: 'now', kept: store.now, strong: false },
    { word: 'then', kept: store.then, strong: true },
  ]);
</script>

<div class="relative h-11 min-w-[220px]" data-scale={scale}>
  {#each sides as side, i (side.word)}
    {@const range = side.kept.days}
    <div
      class="absolute inset-x-0 h-[18px]"
      style:top="{i * 22}px"
      role="img"
      aria-label="{side.word}: {days(range, atLeast)}"
    >
      {#if range}
        {@const low = place(range.low, scale)}
        {@const likely = place(range.likely, scale)}
        {@const high = place(range.high, scale)}
        <span class="absolute inset-y-[3px] left-0 rounded-[2px] bg-sunken" style:width="{high}%"></span>
        <span
          class="absolute inset-y-[3px] left-0 rounded-[2px] {side.strong
            ? side.kept.verdict === 'TOO_SHORT'
              ? 'bg-loss'
              : 'bg-accent'
            : 'bg-unknown/60'}"
          style:width="{low}%"
        ></span>
        <span class="absolute inset-y-0 w-[2px] bg-ink" style:left="calc({likely}% - 1px)"></span>
      {:else}
        <span class="not-known absolute inset-y-[3px] inset-x-0 rounded-[2px]"></span>
      {/if}
    </div>
  {/each}
  {#if store.then.wanted !== undefined}
    <span
      class="absolute -top-1 -bottom-0 border-l-2 border-dashed border-loss"
      style:left="{place(store.then.wanted, scale)}%"
      title="wanted: {store.then.wanted} days"
    ></span>
  {/if}
</div>

<style>
  .not-known {
    background: repeating-linear-gradient(135deg, var(--paper) 0 3px, var(--line) 3px 4px);
  }
</style>
