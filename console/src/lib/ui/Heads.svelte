<script lang="ts">
  /** The head of a table; a column of acts has a title that is only heard. */
  let { titles, acts = false }: { titles: readonly string[]; acts?: boolean } = $props();
</script>

<thead>
  <tr class="border-b border-line">
    {#each titles as title (title)}<th class="head py-2 pr-4" scope="col">{title}</th>{/each}
    {#if acts}<th class="py-2" scope="col"><span class="sr-only">Act</span></th>{/if}
  </tr>
</thead>
