<script lang="ts">
  import { createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { count, when } from '../../lib/format';
  import { rested } from '../../lib/rested.svelte';
  import { person } from '../../lib/session.svelte';
  import Allowed from '../../lib/ui/Allowed.svelte';
  import Empty from '../../lib/ui/Empty.svelte';
  import type { ListColumn } from '../../lib/list/arrange';
  import List from '../../lib/list/List.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** Audits and reports at set times; what a time means is said before it is a plan. */
  let { plans }: { plans: CreateQueryResult<Schemas['PlanView'][]> } = $props();

  const client = useQueryClient();

  function planWords(plan: { kind: string; days?: number | undefined }): string {
    return plan.kind === 'report'
      ? `Report of ${count(plan.days ?? 0, 'day')}`
      : plan.kind === 'activity'
        ? 'What was recorded'
        : plan.kind === 'backup'
          ? 'Backup'
          : plan.kind === 'export'
            ? 'Tables for other programs'
            : 'Audit';
  }

  type Plan = Schemas['PlanView'];
  const COLUMNS: ListColumn<Plan>[] = [
    { key: 'kind', title: 'What', value: planWords },
    { key: 'words', title: 'When', value: (p) => p.words },
    { key: 'select', title: 'Of', value: (p) => p.select, text: (p) => p.select || 'everything' },
    {
      key: 'next',
      title: 'Next',
      value: (p) => p.next[0],
      text: (p) => p.next.map((n) => when(n)).join(', '),
    },
    { key: 'lastAt', title: 'Last', value: (p) => p.lastAt },
  ];

  let cron = $state('0 6 * * 1-5');
  let select = $state('');
  let kind = $state<'audit' | 'report' | 'activity' | 'backup' | 'export'>('audit');
  let days = $state(30);
  let mail = $state('');
  let error = $state<Error | undefined>();

  const typed = rested(() => cron.trim(), 250);
  const times = createQuery(() => ({
    queryKey: ['times', typed.current],
    enabled: !!typed.current,
    retry: false,
    queryFn: ({ signal }) =>
      ask(api.GET('/api/v1/plans/times', { params: { query: { cron: typed.current ?? '' } }, signal })),
  }));

  async function attempt(act: () => Promise<unknown>) {
    error = undefined;
    try {
      await act();
      await client.invalidateQueries({ queryKey: ['plans'] });
    } catch (e) {
      error = e as Error;
    }
  }

  function add(event: SubmitEvent) {
    event.preventDefault();
    void attempt(() =>
      ask(
        api.POST('/api/v1/plans', {
          body: {
            kind,
            cron,
            ...(kind === 'backup' || kind === 'export' ? {} : { select }),
            ...(kind === 'report' ? { days, mail } : {}),
          },
        }),
      ),
    );
  }

  const remove = (id: number) =>
    attempt(() => ask(api.DELETE('/api/v1/plans/{id}', { params: { path: { id } } })));
</script>

<section class="mb-10" aria-labelledby="plans">
  <h2 id="plans" class="mb-2 text-lg font-semibold">At set times</h2>
  <Loaded query={plans}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="No audit is planned.">Nobody would notice by itself when a camera slips away.</Empty>
      {:else}
        {#snippet kindOf(p: Plan)}
          {planWords(p)}
          {#if p.mail}<span class="block text-faint">to {p.mail}</span>{/if}
        {/snippet}
        {#snippet words(p: Plan)}{p.words} <span class="text-faint">({p.zone})</span>{/snippet}
        {#snippet lastAt(p: Plan)}
          {#if p.trouble}<span class="text-loss">did not run: {p.trouble}</span>{:else}{when(p.lastAt)}{/if}
        {/snippet}
        <List
          name="plans"
          unit="plan"
          rows={all}
          columns={COLUMNS}
          of={(p) => p.id}
          cells={{ kind: kindOf, words, lastAt }}
          part
        >
          {#snippet act(p: Plan)}
            <Allowed to="EDITOR"
              ><button class="text-accent underline" onclick={() => remove(p.id)}
                >take away<span class="sr-only"> the plan {p.words}</span></button
              ></Allowed
            >
          {/snippet}
        </List>
      {/if}
    {/snippet}
  </Loaded>
  <Allowed to="EDITOR">
    <form class="mt-4 flex flex-wrap items-start gap-4" onsubmit={add}>
      <label>
        <span class="head mb-1 block">What</span>
        <select class="field" bind:value={kind} name="kind">
          <option value="audit">an audit</option>
          <option value="report">a report</option>
          <option value="activity">what was recorded</option>
          {#if person.may('ADMINISTRATOR')}
            <option value="backup">a backup</option>
            <option value="export">tables for other programs</option>
          {/if}
        </select>
      </label>
      <label>
        <span class="head mb-1 block">Minute, hour, day, month, weekday</span>
        <input class="field native w-56" bind:value={cron} name="cron" required spellcheck="false" />
        <span class="mt-1 block text-sm {times.error ? 'text-loss' : 'text-faint'}" aria-live="polite">
          {times.error
            ? 'no such time; as in 20 2 * * * for 02:20 each night'
            : times.data
              ? `${times.data.words}, next ${when(times.data.next[0])}`
              : ''}
        </span>
      </label>
      {#if kind !== 'backup' && kind !== 'export'}
        <label>
          <span class="head mb-1 block">Cameras</span>
          <input
            class="field w-64"
            bind:value={select}
            name="select"
            placeholder="everything"
            spellcheck="false"
          />
        </label>
      {/if}
      {#if kind === 'report'}
        <label>
          <span class="head mb-1 block">Full days before</span>
          <input class="field w-24" type="number" min="1" max="731" bind:value={days} name="days" />
        </label>
        <label>
          <span class="head mb-1 block">By mail to</span>
          <input
            class="field w-64"
            type="email"
            bind:value={mail}
            name="mail"
            placeholder="nobody; it is kept here"
          />
        </label>
      {/if}
      <button class="act mt-6" disabled={!!times.error}>Plan it</button>
    </form>
    <Trouble {error} />
  </Allowed>
</section>
