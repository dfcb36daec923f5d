<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { ago, count, groupName, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { WorkFollower } from '../lib/work.svelte';
  import { cameraPath, navigate, p, route } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';

  type Finding = Schemas['FindingView'];

  const select = $derived(String(route.search.select ?? ''));
  const client = useQueryClient();
  const findings = createQuery(() => ({
    queryKey: ['findings', select],
    queryFn: () => ask(api.GET('/api/v1/findings', { params: { query: { select, limit: 1000 } } })),
  }));
  const audits = createQuery(() => ({
    queryKey: ['audits'],
    queryFn: () => ask(api.GET('/api/v1/audits')),
  }));
  const running = new WorkFollower();
  const chosen = new SvelteSet<number>();
  let error = $state<Error | undefined>();

  const last = $derived(audits.data?.[0]);
  const answer = $derived(
    findings.data && last
      ? findings.data.total === 0
        ? `Nothing, as of ${when(last.createdAt)}.`
        : `${count(findings.data.total, 'finding')}${select ? ` for ${select}` : ''}, as of ${ago(last.createdAt)}.`
      : 'No audit was run yet.',
  );

  async function attempt(work: () => Promise<void>) {
    error = undefined;
    try {
      await work();
    } catch (e) {
      error = e as Error;
    }
  }

  const run = () =>
    attempt(async () => {
      const work = await ask(api.POST('/api/v1/audits', { body: { select } }));
      running.follow(work.id, () => {
        chosen.clear();
        void client.invalidateQueries();
      });
    });

  const reapply = (ids: number[]) =>
    attempt(async () => {
      const work = await ask(api.POST('/api/v1/findings/reapply', { body: { findings: ids } }));
      navigate('/rollouts/:id', { params: { id: String(work.id) } });
    });

  function canReapply(f: Finding): boolean {
    return f.acts.includes('reapply');
  }

  function toggle(id: number) {
    if (!chosen.delete(id)) {
      chosen.add(id);
    }
  }

  function toggleAll(all: Finding[]) {
    const can = all.filter(canReapply);
    if (can.every((f) => chosen.has(f.id))) {
      chosen.clear();
    } else {
      can.forEach((f) => chosen.add(f.id));
    }
  }

  const SIDE: Record<string, string> = { LOSS: 'loss', WASTE: 'waste', BOTH: 'both ways', NONE: '' };
</script>

<Page question="What is out of tune?" {answer}>
  {#snippet act()}
    <Allowed to="EDITOR"
      ><button class="act" disabled={chosen.size === 0} onclick={() => reapply([...chosen])}
        >Give out again{chosen.size > 0 ? ` (${chosen.size})` : ''}</button
      ></Allowed
    >
    <Allowed to="TECHNICIAN"
      ><button class="act act-main" onclick={run} disabled={running.running}
        >{running.running ? 'Auditing …' : 'Audit now'}</button
      ></Allowed
    >
  {/snippet}
  {#if running.work && running.running}
    <div class="mb-6"><Progress work={running.work} unit="recorders" /></div>
  {/if}
  <Trouble {error} />
  <Loaded query={findings}>
    {#snippet children(page)}
      {#if page.items.length === 0}
        <Empty title="Nothing is out of tune.">
          {last
            ? last.note
            : 'Run an audit to compare what cameras should have with what their recorders hold.'}
        </Empty>
      {:else}
        <div class="relative overflow-x-auto">
          <table class="w-full text-sm sm:min-w-[860px]">
            <thead>
              <tr class="border-b border-line">
                <th class="w-8 py-2 text-left" scope="col">
                  <input
                    type="checkbox"
                    aria-label="Choose all that can be given out"
                    onchange={() => toggleAll(page.items)}
                  />
                </th>
                {#each ['Severity', 'Where', 'What', 'Costs', 'Since', ''] as head (head)}
                  <th
                    class="head py-2 pr-4 {['What', 'Costs', 'Since'].includes(head) ? 'max-sm:hidden' : ''}"
                    scope="col">{head}<span class="sr-only">{head ? '' : 'Act'}</span></th
                  >
                {/each}
              </tr>
            </thead>
            <tbody>
              {#each page.items as f (f.id)}
                <tr class="border-b border-line/60 align-top hover:bg-raised">
                  <td class="py-2">
                    {#if canReapply(f)}
                      <input
                        type="checkbox"
                        checked={chosen.has(f.id)}
                        aria-label="Choose {f.camera}: {f.title}"
                        onchange={() => toggle(f.id)}
                      />
                    {/if}
                  </td>
                  <td class="py-2 pr-4">
                    <span
                      class={f.severity === 'HIGH'
                        ? 'rounded-sm bg-loss-wash px-1.5 font-semibold text-loss'
                        : f.severity === 'MEDIUM'
                          ? 'px-1.5 font-semibold'
                          : 'px-1.5 text-faint'}>{f.severity.toLowerCase()}</span
                    >
                  </td>
                  <td class="py-2 pr-4 sm:whitespace-nowrap">
                    {#if f.camera}
                      <a class="native" href={cameraPath(f.camera)}>{f.camera}</a>
                      {f.label}
                      <div class="text-xs text-faint">{f.group ? groupName(f.group) : ''}</div>
                    {:else}
                      <a class="native" href={p('/recorders/:name', { params: { name: f.recorder } })}
                        >{f.recorder}</a
                      >
                    {/if}
                    <div class="sm:hidden">
                      {f.sentence} <span class="text-faint">{ago(f.firstSeen)}</span>
                    </div>
                  </td>
                  <td class="py-2 pr-4 max-sm:hidden">{f.sentence}</td>
                  <td
                    class="py-2 pr-4 whitespace-nowrap max-sm:hidden {f.direction === 'WASTE'
                      ? 'text-waste'
                      : 'text-loss'}">{SIDE[f.direction]}</td
                  >
                  <td class="py-2 pr-4 whitespace-nowrap text-faint max-sm:hidden" title={when(f.firstSeen)}
                    >{ago(f.firstSeen)}</td
                  >
                  <td class="py-2 text-right sm:whitespace-nowrap">
                    {#if canReapply(f)}
                      <Allowed to="EDITOR"
                        ><button class="text-accent underline" onclick={() => reapply([f.id])}
                          >give out again<span class="sr-only">: {f.camera} {f.title}</span></button
                        ></Allowed
                      >
                    {/if}
                  </td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {/if}
    {/snippet}
  </Loaded>
</Page>
