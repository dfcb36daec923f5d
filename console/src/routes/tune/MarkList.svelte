<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Allowed from '../../lib/ui/Allowed.svelte';
  import { clock } from './levels';

  let {
    marks,
    zone,
    onremove,
    ongo,
  }: {
    marks: Schemas['ClipMarkView'][];
    zone: string;
    onremove: (id: number) => void;
    /** To an instant in milliseconds. */
    ongo: (at: number) => void;
  } = $props();
</script>

{#if marks.length > 0}
  <ul class="mt-3 space-y-1 text-sm">
    {#each marks as m (m.id)}
      <li class="flex flex-wrap items-baseline gap-x-3">
        <button class="text-accent underline tabular-nums" onclick={() => ongo(Date.parse(m.from))}
          >{clock(Date.parse(m.from), zone)}{m.from === m.until
            ? ''
            : `–${clock(Date.parse(m.until), zone)}`}</button
        >
        <span class="font-semibold {m.kind === 'wanted' ? 'text-loss' : 'text-waste'}"
          >{m.kind === 'wanted' ? 'must trigger' : 'must not'}</span
        >
        <span>{m.word}</span>
        <Allowed to="TECHNICIAN"
          ><button
            class="text-faint underline"
            aria-label="Take back {m.word || 'this mark'}"
            onclick={() => onremove(m.id)}>take back</button
          ></Allowed
        >
      </li>
    {/each}
  </ul>
{/if}
