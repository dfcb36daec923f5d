<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { count } from '../lib/format';

  let { trial }: { trial: Schemas['TemplateDraft'] | undefined } = $props();
</script>

{#if trial}
  <p aria-live="polite">
    {#if trial.reached === 0}
      It reaches no camera yet.
    {:else if trial.cameras === 0}
      It reaches {count(trial.reached, 'camera')}; none would have to hold anything else.
    {:else}
      {count(trial.cameras, 'camera')} of the {trial.reached} that it reaches would wait to be given out.
    {/if}
  </p>
  {#each trial.warnings as warning (warning)}
    <p class="mt-1 border-l-2 border-loss pl-3 text-loss" role="status">{warning}</p>
  {/each}
  {#each trial.families as f (f.family)}
    <div class="mt-2 border-l-2 border-line pl-3 text-sm">
      <p><span class="font-semibold">{f.family}</span> · {count(f.cameras, 'camera')}</p>
      {#each f.cannot as c (c)}<p class="text-cannot">cannot: {c}</p>{/each}
      {#each f.approximated as a (a)}<p class="text-faint">{a}</p>{/each}
    </div>
  {/each}
{:else}
  <p class="text-faint" role="status">Being worked out …</p>
{/if}
