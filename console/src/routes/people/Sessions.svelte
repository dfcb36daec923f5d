<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import type { ListColumn } from '../../lib/list/arrange';
  import List from '../../lib/list/List.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { machineOf } from './machine';

  /** Open sessions of a person; the own ones when nobody is named. */
  let { of }: { of?: string } = $props();

  type Session = Schemas['SessionView'];
  const COLUMNS: ListColumn<Session>[] = [
    {
      key: 'program',
      title: 'Machine',
      value: (s) => s.program,
      text: (s) => `${machineOf(s.program)}${s.thisOne ? ' (this one)' : ''}`,
    },
    { key: 'address', title: 'From', value: (s) => s.address },
    { key: 'began', title: 'Began', value: (s) => s.began, text: (s) => when(s.began) },
    { key: 'lastSeen', title: 'Seen last', value: (s) => s.lastSeen, text: (s) => when(s.lastSeen) },
  ];

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
      <List name="sessions" unit="session" rows={all} columns={COLUMNS} of={(s) => s.id} part>
        {#snippet act(s: Session)}
          {#if !s.thisOne}<button class="act" disabled={attempts.busy} onclick={() => end(s.id)}>End</button
            >{/if}
        {/snippet}
      </List>
    {:else}
      <p class="text-sm text-faint">None.</p>
    {/if}
  {/snippet}
</Loaded>
