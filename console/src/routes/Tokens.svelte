<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import { person, roles, type Role } from '../lib/session.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** Tokens of a person; the own ones, which can be made as well, when nobody is named. */
  let { of, onchanged = () => {} }: { of?: string; onchanged?: () => void } = $props();

  type Token = Schemas['Token'];
  const COLUMNS: ListColumn<Token>[] = [
    { key: 'label', title: 'For', value: (t) => t.label },
    { key: 'createdAt', title: 'Made', value: (t) => t.createdAt, text: (t) => when(t.createdAt) },
    { key: 'lastUsedAt', title: 'Used last', value: (t) => t.lastUsedAt, text: (t) => when(t.lastUsedAt) },
    {
      key: 'endsAt',
      title: 'Ends',
      value: (t) => t.endsAt,
      text: (t) => (t.endsAt ? when(t.endsAt) : 'when revoked'),
    },
    {
      key: 'role',
      title: 'Lets in to',
      value: (t) => t.role,
      text: (t) => (t.role ? `what a ${t.role.toLowerCase()} may` : 'everything'),
    },
  ];

  const client = useQueryClient();
  const key = $derived(['tokens', of ?? '']);
  const tokens = createQuery(() => ({
    queryKey: key,
    queryFn: () =>
      ask(
        of
          ? api.GET('/api/v1/people/{name}/tokens', { params: { path: { name: of } } })
          : api.GET('/api/v1/tokens'),
      ),
  }));
  const attempts = new Attempt();
  let label = $state('');
  let role = $state('viewer');
  let days = $state('365');
  let made = $state('');

  function changed() {
    void client.invalidateQueries({ queryKey: key });
    onchanged();
  }

  function make(event: SubmitEvent) {
    event.preventDefault();
    void attempts.run(async () => {
      const body = { label, role, ...(days ? { days: Number(days) } : {}) };
      made = (await ask(api.POST('/api/v1/tokens', { body }))).token;
      label = '';
    }, changed);
  }

  const revoke = (id: number) =>
    attempts.run(
      () =>
        ask(
          of
            ? api.DELETE('/api/v1/people/{name}/tokens/{id}', { params: { path: { name: of, id } } })
            : api.DELETE('/api/v1/tokens/{id}', { params: { path: { id } } }),
        ),
      changed,
    );
</script>

<Trouble error={attempts.error} />
<Loaded query={tokens}>
  {#snippet children(all)}
    {#if all.length > 0}
      <List name="tokens" unit="token" rows={all} columns={COLUMNS} of={(t) => t.id} part>
        {#snippet act(t: Token)}
          <button class="act" disabled={attempts.busy} onclick={() => revoke(t.id)}
            >Revoke<span class="sr-only"> {t.label}</span></button
          >
        {/snippet}
      </List>
    {:else}
      <p class="text-sm text-faint">None.</p>
    {/if}
  {/snippet}
</Loaded>
{#if !of}
  <form class="mt-4 flex flex-wrap items-end gap-3" onsubmit={make}>
    <label>
      <span class="head mb-1 block">Token for</span>
      <input class="field w-56" name="label" bind:value={label} required maxlength="100" autocomplete="off" />
    </label>
    <label>
      <span class="head mb-1 block">Lets in to</span>
      <select class="field" name="token-role" bind:value={role}>
        {#each roles.filter((r) => person.may(r.toUpperCase() as Role)) as r (r)}<option value={r}
            >what a {r} may</option
          >{/each}
      </select>
    </label>
    <label>
      <span class="head mb-1 block">Days</span>
      <input
        class="field w-24"
        name="days"
        type="number"
        min="1"
        max="3660"
        bind:value={days}
        placeholder="no end"
      />
    </label>
    <button class="act" disabled={attempts.busy}>Make a token</button>
  </form>
  {#if made}
    <label class="mt-4 block max-w-[640px]">
      <span class="head mb-1 block">Your new token, shown this once</span>
      <input
        class="field native w-full"
        readonly
        value={made}
        onfocus={(e) => e.currentTarget.select()}
        name="made"
      />
    </label>
  {/if}
{/if}
