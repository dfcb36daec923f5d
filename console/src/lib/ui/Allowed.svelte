<script lang="ts">
  import type { Snippet } from 'svelte';
  import { person, type Role } from '../session.svelte';

  /** What a role may do, or nothing for those who may not. */
  let { to, children }: { to: Role; children: Snippet } = $props();
</script>

{#if person.may(to)}{@render children()}{/if}
