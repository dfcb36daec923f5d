<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../../lib/attempt.svelte';
  import { api, ask } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import Heads from '../../lib/ui/Heads.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { machineOf } from './machine';

  /** Open sessions of a person; the own ones when nobody is named. */
  let { of }: { of?: string } = $props();

  const client = useQueryClient();
  const key = $derived(['sessions', of ?? '']);
  const sessions = createQuery(() => ({
    queryKey: key,
    queryFn: () =>
      ask(
        of
          ? api.GET('/api/v1/people/{name}/sessions', { params: { path: { name: of } } })
          : api.GET('/api/v1/sessions'),
      ),
  }));
  const attempts = new Attempt();

  const end = (id: string) =>
    attempts.run(
      () =>
        ask(
          of
            ? api.DELETE('/api/v1/people/{name}/sessions/{id}', { params: { path: { name: of, id } } })
            : api.DELETE('/api/v1/sessions/{id}', { params: { path: { id } } }),
        ),
      () => void client.invalidateQueries({ queryKey: key }),
    );
</script>

<Trouble error={attempts.error} />
<Loaded query={sessions}>
  {#snippet children(all)}
    {#if all.length > 0}
      <div class="relative overflow-x-auto">
        <table class="w-full min-w-[560px] text-sm">
          <Heads titles={['Machine', 'From', 'Began', 'Seen last']} acts />
          <tbody>
            {#each all as s (s.id)}
              <tr class="border-b border-line/60">
                <td class="py-2 pr-4" title={s.program}
                  >{machineOf(s.program)}{s.thisOne ? ' (this one)' : ''}</td
                >
                <td class="native py-2 pr-4">{s.address}</td>
                <td class="py-2 pr-4 whitespace-nowrap">{when(s.began)}</td>
                <td class="py-2 pr-4 whitespace-nowrap">{when(s.lastSeen)}</td>
                <td class="py-2 text-right">
                  {#if !s.thisOne}<button class="act" disabled={attempts.busy} onclick={() => end(s.id)}
                      >End</button
                    >{/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {:else}
      <p class="text-sm text-faint">None.</p>
    {/if}
  {/snippet}
</Loaded>
