<script lang="ts">
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import type { Component } from 'svelte';

  /** A component of a test with what the frame gives it. */
  let { shown: Shown, given }: { shown: Component; given: Record<string, unknown> } = $props();

  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
</script>

<QueryClientProvider {client}><Shown {...given} /></QueryClientProvider>
