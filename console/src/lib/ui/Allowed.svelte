<script lang="ts">
  import type { Snippet } from 'svelte';
  import { person, type Right } from '../session.svelte';

  /** What a role may do, in the whole fleet where that is meant; nothing for those who may not. */
  let { to, fleet = false, children }: { to: Right; fleet?: boolean; children: Snippet } = $props();
</script>

{#if person.may(to) && (!fleet || person.everywhere)}{@render children()}{/if}
