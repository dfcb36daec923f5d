<script lang="ts">
  import type { Snippet } from 'svelte';

  /** The page's one question as its title, the answer in a sentence under it, then the detail. */
  let {
    question,
    answer,
    act,
    children,
  }: { question: string; answer?: string | undefined; act?: Snippet; children: Snippet } = $props();
</script>

<svelte:head><title>{question} · Choir</title></svelte:head>
<header class="flex flex-wrap items-end justify-between gap-x-8 gap-y-3 pb-6">
  <div class="min-w-0">
    <h1 class="text-2xl font-semibold tracking-tight text-balance">{question}</h1>
    {#if answer}
      <p class="mt-1 max-w-[75ch] text-base text-faint">{answer}</p>
    {/if}
  </div>
  {#if act}
    <div class="flex flex-wrap gap-2">{@render act()}</div>
  {/if}
</header>
{@render children()}
