<script lang="ts">
  import type { Snippet } from 'svelte';

  let { title, children }: { title: string; children?: Snippet } = $props();
</script>

<div class="border-y border-line py-10">
  <p class="text-lg font-semibold">{title}</p>
  {#if children}<div class="mt-1 max-w-[65ch] text-faint">{@render children()}</div>{/if}
</div>
