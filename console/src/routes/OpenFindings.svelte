<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import { p } from '../router';

  /** What is out of tune now; what can be given out again is what the service says can be. */
  let {
    findings,
    group,
    onreapply,
  }: {
    findings: Schemas['FindingView'][];
    /** In which the camera stands, without the root. */
    group: string;
    onreapply: (ids: number[]) => void;
  } = $props();

  /** What is wrong by comparison with its peers alone. */
  const PEERS = ['never-triggers', 'always-triggers', 'outlier'];

  const again = $derived(findings.filter((f) => f.acts.includes('reapply')).map((f) => f.id));
</script>

{#if findings.length > 0}
  <section class="mb-10" aria-labelledby="findings">
    <div class="flex items-baseline justify-between gap-4">
      <h2 id="findings" class="text-lg font-semibold">Out of tune</h2>
      {#if again.length > 0}
        <Allowed to="EDITOR"
          ><button class="act act-main" onclick={() => onreapply(again)}>Give out again</button></Allowed
        >
      {/if}
    </div>
    <ul class="mt-2">
      {#each findings as f (f.id)}
        <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-2">
          <span class="w-16 text-sm {f.severity === 'HIGH' ? 'font-semibold text-loss' : 'text-faint'}"
            >{f.severity.toLowerCase()}</span
          >
          <span class="min-w-[220px] flex-1 max-sm:order-last max-sm:basis-full">{f.sentence}</span>
          {#if PEERS.includes(f.about)}
            <a class="text-sm" href="{p('/group')}?path={encodeURIComponent(group)}">its peers, in pictures</a
            >
          {/if}
          <span class="text-sm text-faint">since {when(f.firstSeen)}</span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
