<script lang="ts">
  import { createInfiniteQuery, createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { overridesAt, takeBack as takeBackAt } from '../lib/api/said';
  import { when } from '../lib/format';
  import { journalPages } from '../lib/journal';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** What is put straight on a node, with who said it and why; those past their last day too; and what was before. */
  let { node }: { node: string } = $props();

  const client = useQueryClient();
  const overrides = createQuery(() => ({
    queryKey: ['overrides', node],
    queryFn: () => overridesAt(node),
  }));
  let past = $state(false);
  const journal = createInfiniteQuery(() => journalPages(node.replace(/^camera:/, ''), past));
  const entries = $derived(journal.data?.pages.flat() ?? []);
  let error = $state<Error | undefined>();

  async function takeBack(key: string) {
    error = undefined;
    try {
      await takeBackAt(node, key, overrides.data?.version ?? '');
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }
</script>

<section class="mt-10" aria-labelledby="exceptions">
  <h2 id="exceptions" class="text-lg font-semibold">Exceptions put here</h2>
  <ul class="mt-2 text-sm">
    {#each overrides.data?.overrides ?? [] as o (o.key + (o.until ?? ''))}
      <li class="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b border-line/60 py-2">
        <span class="w-48 font-semibold">{o.key}</span>
        <span class="min-w-[160px] flex-1 break-words">
          {o.value ?? 'left to nobody'}{o.fixed ? ' · fixed' : ''}
          {#if o.effect === 'COUNTS'}<span class="text-faint">instead of {o.otherwise ?? 'nothing'}</span
            >{/if}
        </span>
        <span class="min-w-[200px] flex-1 text-faint">{o.because}; {o.author}</span>
        <span class="w-44 {o.effect === 'COUNTS' ? 'text-faint' : 'font-semibold text-waste'}">
          {#if o.effect === 'ENDED'}ended on {o.until}
          {:else}{o.until ? `until ${o.until}` : 'without an end'}{o.effect === 'COUNTS'
              ? ''
              : `; ${o.words}`}{/if}
        </span>
        <Allowed to="EDITOR">
          <button class="text-accent underline" onclick={() => takeBack(o.key)}
            >take back<span class="sr-only"> {o.key}</span></button
          >
        </Allowed>
      </li>
    {:else}
      <li class="text-faint">{overrides.data ? 'None.' : 'Loading …'}</li>
    {/each}
  </ul>
  <Trouble {error} />
  <button
    class="mt-2 text-sm text-accent underline"
    aria-expanded={past}
    aria-controls="before"
    onclick={() => (past = !past)}>{past ? 'Hide what was done here' : 'What was done here before'}</button
  >
  <ol id="before" class="mt-1 text-sm" hidden={!past}>
    {#each entries as e (e.id)}
      <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1.5">
        <span class="w-36 text-faint">{when(e.at)}</span>
        <span class="w-24">{e.who}</span>
        <span class="w-40">{e.act}</span>
        <span class="min-w-[200px] flex-1 break-words text-faint">{e.detail}</span>
      </li>
    {:else}
      <li class="text-faint">{journal.isPending ? 'Loading …' : 'Nothing was done here yet.'}</li>
    {/each}
    {#if journal.hasNextPage}
      <li class="py-2">
        <button class="act text-sm" onclick={() => journal.fetchNextPage()}>Show older</button>
      </li>
    {/if}
  </ol>
</section>
