<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { when } from '../lib/format';
  import { journalPages } from '../lib/journal';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';

  const journal = createInfiniteQuery(() => journalPages(''));
</script>

<Page question="Who did what?" answer="Every change, the newest first. Entries are only ever added.">
  <Loaded query={journal}>
    {#snippet children({ pages })}
      {@const entries = pages.flat()}
      {#if entries.length === 0}
        <Empty title="Nothing was done yet." />
      {:else}
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[640px] text-sm">
            <Heads titles={['When', 'Who', 'Did', 'To', 'Detail']} />
            <tbody>
              {#each entries as e (e.id)}
                <tr class="border-b border-line/60 align-top">
                  <td class="py-1.5 pr-4 whitespace-nowrap text-faint">{when(e.at)}</td>
                  <td class="py-1.5 pr-4">{e.who}</td>
                  <td class="py-1.5 pr-4">{e.act}</td>
                  <td class="py-1.5 pr-4">{e.subject}</td>
                  <td class="py-1.5 pr-4 text-faint">{e.detail}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
        {#if journal.hasNextPage}
          <button
            class="act mt-4"
            onclick={() => journal.fetchNextPage()}
            disabled={journal.isFetchingNextPage}
            >{journal.isFetchingNextPage ? 'Loading …' : 'Show older'}</button
          >
        {/if}
      {/if}
    {/snippet}
  </Loaded>
</Page>
