<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import type { Finding } from './choice.svelte';

  /** What became of a finding, and of the earlier ones of the same thing. */
  let { finding, onclose }: { finding: Finding; onclose: () => void } = $props();

  const history = createQuery(() => ({
    queryKey: ['findings', 'history', finding.id],
    queryFn: () => ask(api.GET('/api/v1/findings/{id}/history', { params: { path: { id: finding.id } } })),
  }));
</script>

<Modal
  open
  {onclose}
  title="{finding.camera ?? finding.recorder} {finding.label}: {finding.title}"
  description={finding.sentence}
>
  {#if finding.desired || finding.observed}
    <dl class="mb-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
      <dt class="text-faint">Ought to hold</dt>
      <dd class="native wrap-anywhere">{finding.desired ?? ''}</dd>
      <dt class="text-faint">Holds</dt>
      <dd class="native wrap-anywhere">{finding.observed ?? ''}</dd>
    </dl>
  {/if}
  <Loaded query={history}>
    {#snippet children(events)}
      <ol class="text-sm">
        {#each events as e, i (i)}
          <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1.5">
            <span class="w-36 shrink-0 text-faint">{when(e.at)}</span>
            <span class="flex-1"
              ><b class="font-semibold"
                >{e.what}{e.to ? ` to ${e.to}` : ''}{e.until ? ` until ${e.until}` : ''}{e.who
                  ? ` by ${e.who}`
                  : ''}</b
              >{e.note ? `: ${e.note}` : ''}</span
            >
          </li>
        {/each}
      </ol>
    {/snippet}
  </Loaded>
  <button class="act mt-4" onclick={onclose}>Close</button>
</Modal>
