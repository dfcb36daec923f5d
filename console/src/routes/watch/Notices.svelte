<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import Empty from '../../lib/ui/Empty.svelte';
  import type { ListColumn } from '../../lib/list/arrange';
  import List from '../../lib/list/List.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** Who is told when something slips, and what was told. */
  type Notice = Schemas['NoticeView'];
  const SEVERITIES = ['low', 'medium', 'high'];
  const COLUMNS: ListColumn<Notice>[] = [
    { key: 'target', title: 'To', value: (n) => n.target },
    { key: 'way', title: 'By', value: (n) => n.way },
    {
      key: 'severity',
      title: 'From which severity on',
      value: (n) => n.severity,
      order: (n) => SEVERITIES.indexOf(n.severity),
    },
    {
      key: 'quietFrom',
      title: 'Quiet hours',
      value: (n) => n.quietFrom,
      text: (n) => (n.quietFrom ? `${n.quietFrom} to ${n.quietTo}` : 'none'),
    },
  ];

  const client = useQueryClient();
  const notices = createQuery(() => ({
    queryKey: ['notices'],
    queryFn: () => ask(api.GET('/api/v1/notices')),
  }));
  const outbox = createQuery(() => ({
    queryKey: ['outbox'],
    refetchInterval: 5_000,
    queryFn: () => ask(api.GET('/api/v1/notices/outbox', { params: { query: { limit: 10 } } })),
  }));

  let way = $state('mail');
  let target = $state('');
  let severity = $state('medium');
  let quietFrom = $state('');
  let quietTo = $state('');
  let secret = $state<string | undefined>();
  let error = $state<Error | undefined>();

  async function attempt(act: () => Promise<unknown>) {
    error = undefined;
    try {
      await act();
      await client.invalidateQueries({ queryKey: ['notices'] });
      await client.invalidateQueries({ queryKey: ['outbox'] });
    } catch (e) {
      error = e as Error;
    }
  }

  function add(event: SubmitEvent) {
    event.preventDefault();
    void attempt(async () => {
      const quiet = quietFrom || quietTo ? { quietFrom, quietTo } : {};
      const added = await ask(api.POST('/api/v1/notices', { body: { way, target, severity, ...quiet } }));
      secret = added.secret;
      target = '';
    });
  }

  const test = (id: number) =>
    attempt(() => ask(api.POST('/api/v1/notices/{id}/test', { params: { path: { id } } })));
  const remove = (id: number) =>
    attempt(() => ask(api.DELETE('/api/v1/notices/{id}', { params: { path: { id } } })));
</script>

<section class="mb-10" aria-labelledby="notices">
  <h2 id="notices" class="mb-2 text-lg font-semibold">Who is told</h2>
  <Loaded query={notices}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="Nobody is told.">New findings are seen by those alone who look.</Empty>
      {:else}
        <List name="notices" unit="notice" rows={all} columns={COLUMNS} of={(n) => n.id} part>
          {#snippet act(n: Notice)}
            <button class="text-accent underline" onclick={() => test(n.id)}
              >test<span class="sr-only"> {n.target}</span></button
            >
            <button class="ml-4 text-accent underline" onclick={() => remove(n.id)}
              >take away<span class="sr-only"> {n.target}</span></button
            >
          {/snippet}
        </List>
      {/if}
    {/snippet}
  </Loaded>
  <form class="mt-4 flex flex-wrap items-end gap-4" onsubmit={add}>
    <label>
      <span class="head mb-1 block">By</span>
      <select class="field" bind:value={way} name="way">
        <option value="mail">mail</option>
        <option value="webhook">webhook</option>
      </select>
    </label>
    <label>
      <span class="head mb-1 block">To</span>
      <input
        class="field w-72"
        bind:value={target}
        name="target"
        required
        autocomplete="off"
        placeholder={way === 'mail' ? 'somebody@example.org' : 'https://host/path'}
      />
    </label>
    <label>
      <span class="head mb-1 block">Severity from</span>
      <select class="field" bind:value={severity} name="severity">
        {#each SEVERITIES as s (s)}<option>{s}</option>{/each}
      </select>
    </label>
    <label>
      <span class="head mb-1 block">Quiet from</span>
      <input class="field" type="time" bind:value={quietFrom} name="quiet-from" required={!!quietTo} />
    </label>
    <label>
      <span class="head mb-1 block">to</span>
      <input class="field" type="time" bind:value={quietTo} name="quiet-to" required={!!quietFrom} />
    </label>
    <button class="act">Tell them</button>
  </form>
  <Trouble {error} />
  {#if secret}
    <p class="mt-3 border-l-2 border-waiting pl-4">
      Its events are signed with this secret, which is not shown again: <code class="native break-all"
        >{secret}</code
      >
    </p>
  {/if}
  {#if outbox.data && outbox.data.length > 0}
    <h3 class="head mt-6 mb-1">What was told last</h3>
    <ul class="text-sm">
      {#each outbox.data as e (e.id)}
        <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1.5">
          <span class="w-36 shrink-0 text-faint">{when(e.createdAt)}</span>
          <span class="min-w-[220px] flex-1">{e.subject}</span>
          <span class={e.trouble ? 'text-loss' : 'text-faint'}
            >{e.state === 'waiting' ? `goes out ${when(e.nextAt)}` : e.state.replace('-', ' ')}{e.trouble
              ? `: ${e.trouble}`
              : ''}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>
