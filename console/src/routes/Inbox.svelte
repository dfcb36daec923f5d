<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { ago, count } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import { cameraPath, p } from '../router';

  const inbox = createQuery(() => ({
    queryKey: ['inbox'],
    queryFn: () => ask(api.GET('/api/v1/inbox')),
  }));
  const KINDS = [
    { kind: 'approve', title: 'To be let go by you' },
    { kind: 'rollout', title: 'Your rollouts that did not end well' },
    { kind: 'plan', title: 'Your plans that did not run' },
    { kind: 'finding', title: 'Findings that you see to' },
  ] as const;

  function path(item: Schemas['InboxItem']): string {
    if (item.work !== undefined) {
      return p('/rollouts/:id', { params: { id: String(item.work) } });
    }
    if (item.kind === 'plan') {
      return p('/watch');
    }
    return item.camera ? cameraPath(item.camera) : p('/audit');
  }

  const answer = $derived(
    inbox.data
      ? inbox.data.length === 0
        ? 'Nothing waits for you.'
        : `${count(inbox.data.length, 'thing')} ${inbox.data.length === 1 ? 'waits' : 'wait'} for you.`
      : undefined,
  );
</script>

<Page question="What waits for you?" {answer}>
  <Loaded query={inbox}>
    {#snippet children(items)}
      {#if items.length === 0}
        <Empty title="All is seen to.">
          Rollouts that others ask you to let go, and findings that are given to you, are listed here.
        </Empty>
      {/if}
      {#each KINDS as { kind, title } (kind)}
        {@const some = items.filter((i) => i.kind === kind)}
        {#if some.length > 0}
          <h2 class="mt-6 mb-2 text-lg font-semibold">{title}</h2>
          <ul class="divide-y divide-line/60 border-y border-line/60 text-sm">
            {#each some as item, i (i)}
              <li class="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-2">
                <a class="min-w-0 flex-1 basis-80" href={path(item)}>{item.sentence}</a>
                <span class="text-faint">{ago(item.since)}</span>
              </li>
            {/each}
          </ul>
        {/if}
      {/each}
    {/snippet}
  </Loaded>
</Page>
