<script lang="ts">
  import { Refused } from '../api/client';

  /** What the service refused, at the place it is about. */
  let { error }: { error: Error | null | undefined } = $props();

  const faults = $derived(error instanceof Refused ? error.faults : []);
</script>

{#if error}
  <div class="rounded-sm bg-loss-wash px-3 py-2 text-sm" role="alert">
    {#if faults.length > 0}
      <ul>
        {#each faults as fault, i (i)}
          <li><span class="native">line {fault.line}, column {fault.column}</span> {fault.problem}</li>
        {/each}
      </ul>
    {:else}
      {error.message}
    {/if}
  </div>
{/if}
