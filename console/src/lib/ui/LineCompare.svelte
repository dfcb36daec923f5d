<script lang="ts">
  import { compare } from '../edit/lines';

  let { before, after }: { before: string; after: string } = $props();

  const lines = $derived(compare(before, after));
  const SIGNS = { same: ' ', gone: '−', new: '+' } as const;
</script>

<div
  class="native overflow-x-auto border-y border-line py-2 leading-5"
  role="group"
  aria-label="Line by line"
>
  {#each lines as line, i (i)}
    {@const text = `${SIGNS[line.kind]} ${line.text}`}
    <div
      class={line.kind === 'gone'
        ? 'bg-loss-wash'
        : line.kind === 'new'
          ? 'bg-accent-wash font-semibold'
          : 'text-faint'}
    >
      <span class="whitespace-pre">{text}</span>
    </div>
  {/each}
</div>
