<script lang="ts">
  /** A value of any length: of a long one its beginning, and all of it one step away, also by keyboard and finger. */
  let { text, longest = 70 }: { text: string; longest?: number } = $props();

  let open = $state(false);
</script>

{#if text.length > longest}
  <details bind:open>
    <summary class="cursor-pointer">{open ? 'less' : `${text.slice(0, longest - 2)} …`}</summary>
    {#each text.split(' | ') as line, i (i)}<div>{line}</div>{/each}
  </details>
{:else}{text}{/if}
