<script lang="ts">
  import { cameraPath } from '../../router';
  import { count } from '../format';

  /** Cameras that have something in common: a few by name, many by their number, which opens. */
  let { cameras }: { cameras: readonly string[] } = $props();

  const FEW = 2;
</script>

{#snippet names()}
  {#each cameras as camera (camera)}
    <a class="native mr-2 inline-block" href={cameraPath(camera)}>{camera}</a>
  {/each}
{/snippet}

{#if cameras.length <= FEW}
  {@render names()}
{:else}
  <details>
    <summary class="cursor-pointer whitespace-nowrap">{count(cameras.length, 'camera')}</summary>
    <div class="max-h-60 max-w-[260px] overflow-y-auto">{@render names()}</div>
  </details>
{/if}
