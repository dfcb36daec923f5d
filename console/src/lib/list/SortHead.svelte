<script lang="ts" generics="T">
  import type { Listed } from './listed.svelte';
  import { direction } from './arrange';

  /** The word over a column, by which its rows are put in order. */
  let {
    listed,
    column,
    title,
    onkeydown,
  }: {
    listed: Listed<T>;
    column: string;
    title: string;
    onkeydown?: (event: KeyboardEvent) => void;
  } = $props();

  const sorted = $derived(direction(listed.arrangement.sort, column));
</script>

<button class="head -my-1.5 py-1.5 hover:text-accent" onclick={() => listed.sortBy(column)} {onkeydown}
  >{title}{#if sorted !== 'none'}<span aria-hidden="true">&nbsp;{sorted === 'ascending' ? '↑' : '↓'}</span
    >{/if}</button
>
