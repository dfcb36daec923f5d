<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { when } from '../lib/format';

  let { findings }: { findings: Schemas['FindingView'][] } = $props();
</script>

{#if findings.length > 0}
  <section class="mt-10" aria-labelledby="history">
    <h2 id="history" class="text-lg font-semibold">Ended findings</h2>
    <ul class="mt-2 text-sm">
      {#each findings as f (f.id)}
        <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1.5">
          <span class="min-w-[220px] flex-1 max-sm:order-last max-sm:basis-full">{f.sentence}</span>
          <span class="text-faint">{when(f.firstSeen)} to {when(f.endedAt)}, {f.endedBy}</span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
