<script lang="ts">
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import { journalPages, wholeJournal } from '../lib/journal';
  import Empty from '../lib/ui/Empty.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';

  type Entry = Schemas['Entry'];
  const COLUMNS: ListColumn<Entry>[] = [
    { key: 'id', title: 'Number', value: (e) => e.id, aside: true },
    { key: 'at', title: 'When', value: (e) => e.at },
    { key: 'who', title: 'Who', value: (e) => e.who },
    { key: 'act', title: 'Did', value: (e) => e.act },
    { key: 'subject', title: 'To', value: (e) => e.subject },
    { key: 'detail', title: 'Detail', value: (e) => e.detail },
  ];

  const journal = createInfiniteQuery(() => journalPages(''));
</script>

<Page question="Who did what?" answer="Every change, the newest first. Entries are only ever added.">
  <Loaded query={journal}>
    {#snippet children({ pages })}
      {@const entries = pages.flat()}
      {#if entries.length === 0}
        <Empty title="Nothing was done yet." />
      {:else}
        {#snippet at(e: Entry)}
          <span class="whitespace-nowrap text-faint">{when(e.at)}</span>
        {/snippet}
        {#snippet detail(e: Entry)}
          <span class="text-faint">{e.detail}</span>
        {/snippet}
        <List
          name="journal"
          unit="entry"
          units="entries"
          rows={entries}
          columns={COLUMNS}
          of={(e) => e.id}
          cells={{ at, detail }}
          whole={wholeJournal}
        />
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
