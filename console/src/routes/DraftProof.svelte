<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import ProofNote from './ProofNote.svelte';

  /** What a template's text would do to the moments that were marked as wanted on kept clips. */
  let { name, text }: { name: string; text: string } = $props();

  const proof = createQuery(() => ({
    queryKey: ['template-draft-proof', name, text],
    queryFn: ({ signal }) =>
      ask(api.POST('/api/v1/proofs', { body: { files: [{ name: `${name}.yaml`, text }] }, signal })),
    placeholderData: keepPreviousData,
    gcTime: 0,
  }));
</script>

{#if proof.data && (proof.data.wanted > 0 || proof.data.untried.length > 0)}
  <div class="mt-3"><ProofNote proof={proof.data} /></div>
{/if}
