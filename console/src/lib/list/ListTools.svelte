<script lang="ts" generics="T">
  import type { Snippet } from 'svelte';
  import type { Listed } from './listed.svelte';

  /** Over a list: which columns, its rows as a file, and what else is said of it. */
  let { listed, ontake, children }: { listed: Listed<T>; ontake: () => void; children?: Snippet } = $props();

  const shown = $derived(listed.arrangement.columns);
</script>

<div class="mb-1 flex flex-wrap items-baseline gap-x-5 gap-y-1 text-sm print:hidden">
  {@render children?.()}
  <details class="min-w-0">
    <summary class="cursor-pointer text-faint"
      >{shown.length === listed.all.length
        ? 'All columns'
        : `${shown.length} of ${listed.all.length} columns`}</summary
    >
    <fieldset class="my-1 flex flex-wrap gap-x-5 gap-y-1">
      <legend class="sr-only">Columns that are shown</legend>
      {#each listed.all as column (column.key)}
        {@const is = shown.includes(column.key)}
        <label class="flex items-center gap-1.5"
          ><input
            type="checkbox"
            checked={is}
            disabled={is && shown.length === 1}
            onchange={(e) => listed.show(column.key, e.currentTarget.checked)}
          />{column.title}</label
        >
      {/each}
      {#if listed.hasWidths}
        <button class="text-accent underline" onclick={() => listed.forgetWidths()}
          >Widths as they were</button
        >
      {/if}
    </fieldset>
  </details>
  <button class="text-accent underline" onclick={ontake} title="These rows in these columns, as CSV"
    >Take as a file</button
  >
</div>
