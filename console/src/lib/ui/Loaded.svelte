<script lang="ts" generics="T">
  import type { Snippet } from 'svelte';
  import { Refused } from '../api/client';
  import Empty from './Empty.svelte';

  interface Query {
    data: T | undefined;
    error: Error | null;
    isPending: boolean;
    refetch: () => unknown;
  }

  /** Shows a question to the service in each of its states. */
  let { query, children }: { query: Query; children: Snippet<[T]> } = $props();

  const status = $derived(query.error instanceof Refused ? query.error.status : 0);
  const sentence = (text: string) =>
    text.charAt(0).toUpperCase() + text.slice(1) + (text.endsWith('.') ? '' : '.');
</script>

{#if query.data !== undefined}
  {@render children(query.data)}
{:else if query.error && status === 404}
  <Empty title="Nothing to show">{sentence(query.error.message)}</Empty>
{:else if query.error}
  <div class="border-l-2 border-loss py-1 pl-4" role="alert">
    <p class="font-semibold">
      {status === 403 ? 'Your role does not allow this.' : 'This could not be loaded.'}
    </p>
    <p class="text-faint">{query.error.message}</p>
    <button class="act mt-3" onclick={() => query.refetch()}>Try again</button>
  </div>
{:else}
  <p class="text-faint" role="status">Loading …</p>
{/if}
