<script lang="ts">
  import { createQuery, useQueryClient, type CreateQueryResult } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import { rested } from '../../lib/rested.svelte';
  import Allowed from '../../lib/ui/Allowed.svelte';
  import Empty from '../../lib/ui/Empty.svelte';
  import Heads from '../../lib/ui/Heads.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** Audits at set times; what a time means is said before it is a plan. */
  let { plans }: { plans: CreateQueryResult<Schemas['PlanView'][]> } = $props();

  const client = useQueryClient();
  let cron = $state('0 6 * * 1-5');
  let select = $state('');
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
    void attempt(() => ask(api.POST('/api/v1/plans', { body: { kind: 'audit', cron, select } })));
  }

  const remove = (id: number) =>
    attempt(() => ask(api.DELETE('/api/v1/plans/{id}', { params: { path: { id } } })));
</script>

<section class="mb-10" aria-labelledby="plans">
  <h2 id="plans" class="mb-2 text-lg font-semibold">Audits at set times</h2>
  <Loaded query={plans}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="No audit is planned.">Nobody would notice by itself when a camera slips away.</Empty>
      {:else}
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[680px] text-sm">
            <Heads titles={['When', 'Of', 'Next', 'Last', '']} />
            <tbody>
              {#each all as p (p.id)}
                <tr class="border-b border-line/60 align-top hover:bg-raised">
                  <td class="py-2 pr-4">{p.words} <span class="text-faint">({p.zone})</span></td>
                  <td class="py-2 pr-4">{p.select || 'everything'}</td>
                  <td class="py-2 pr-4">{p.next.map((n) => when(n)).join(', ')}</td>
                  <td class="py-2 pr-4">
                    {#if p.trouble}<span class="text-loss">did not run: {p.trouble}</span>{:else}{when(
                        p.lastAt,
                      )}{/if}
                  </td>
                  <td class="py-2 text-right">
                    <Allowed to="EDITOR"
                      ><button class="text-accent underline" onclick={() => remove(p.id)}
                        >take away<span class="sr-only"> the plan {p.words}</span></button
                      ></Allowed
                    >
                  </td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {/if}
    {/snippet}
  </Loaded>
  <Allowed to="EDITOR">
    <form class="mt-4 flex flex-wrap items-start gap-4" onsubmit={add}>
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
      <button class="act mt-6" disabled={!!times.error}>Plan this audit</button>
    </form>
    <Trouble {error} />
  </Allowed>
</section>
