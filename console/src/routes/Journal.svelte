<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';

  const journal = createQuery(() => ({
    queryKey: ['journal'],
    queryFn: () => ask(api.GET('/api/v1/journal', { params: { query: { limit: 200 } } })),
  }));
</script>

<Page question="Who did what?" answer="Every change, the newest first. Entries are only ever added.">
  <Loaded query={journal}>
    {#snippet children(entries)}
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
      {/if}
    {/snippet}
  </Loaded>
</Page>
