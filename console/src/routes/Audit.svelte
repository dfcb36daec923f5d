<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { ago, count, groupName, when } from '../lib/format';
  import { person } from '../lib/session.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import SelectionBox from '../lib/ui/SelectionBox.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { WorkFollower } from '../lib/work.svelte';
  import { arranged, direction, type ListColumn } from '../lib/list/arrange';
  import { Listed } from '../lib/list/listed.svelte';
  import SortHead from '../lib/list/SortHead.svelte';
  import { navigate, p, route } from '../router';
  import { Choice, everyOne, type Act, type Finding } from './audit/choice.svelte';
  import Decide from './audit/Decide.svelte';
  import FindingGroupRows from './audit/FindingGroupRows.svelte';
  import FindingRows from './audit/FindingRows.svelte';
  import History from './audit/History.svelte';
  import TrendBars from './audit/TrendBars.svelte';

  const SHOWN = 1000;
  /** So many findings fit a page without folding. */
  const FEW = 20;
  const ACTS: Record<Act, string> = {
    reapply: 'Give out again',
    adopt: 'Adopt',
    accept: 'Accept',
    assign: 'Give to a person',
  };

  /** What of it is more than to decide: it changes what is asked of a camera, or what its recorder holds. */
  const MORE: readonly Act[] = ['reapply', 'adopt'];
  const mayChoose = $derived(person.may('DECIDE') || person.may('EDITOR'));

  /** By what findings are folded. */
  const BY: Record<string, string> = {
    cause: 'Cause',
    recorder: 'Recorder',
    group: 'Group',
    setting: 'Setting',
    person: 'Person',
  };

  const select = $derived(String(route.search.select ?? ''));
  const by = $derived(String(route.search.by ?? 'cause'));
  const severity = $derived(String(route.search.severity ?? ''));
  const assigned = $derived(route.search.assigned === undefined ? undefined : String(route.search.assigned));
  const shown = $derived(route.search.shown === 'accepted' ? 'accepted' : 'open');
  const narrowed = $derived({
    select,
    ...(severity ? { severity } : {}),
    ...(assigned === undefined ? {} : { assigned }),
  });
  const grouped = $derived(by !== 'none' && shown === 'open');

  const client = useQueryClient();
  const findings = createQuery(() => ({
    queryKey: ['findings', shown, narrowed, grouped],
    queryFn: () =>
      ask(
        api.GET('/api/v1/findings', {
          params: { query: { ...narrowed, state: shown, limit: grouped ? 1 : SHOWN } },
        }),
      ),
  }));
  const groups = createQuery(() => ({
    queryKey: ['findings', 'groups', by, narrowed],
    enabled: grouped,
    queryFn: () => ask(api.GET('/api/v1/findings/groups', { params: { query: { ...narrowed, by } } })),
  }));
  const audited = createQuery(() => ({
    queryKey: ['audits', 'last'],
    queryFn: () => ask(api.GET('/api/v1/audits/last')),
  }));
  const trend = createQuery(() => ({
    queryKey: ['findings', 'trend', select],
    queryFn: () => ask(api.GET('/api/v1/findings/trend', { params: { query: { days: 30, select } } })),
  }));

  const WORSE = ['LOW', 'MEDIUM', 'HIGH'];
  const COLUMNS: ListColumn<Finding>[] = [
    { key: 'id', title: 'Number', value: (f) => f.id },
    {
      key: 'severity',
      title: 'Severity',
      value: (f) => f.severity,
      order: (f) => WORSE.indexOf(f.severity),
    },
    { key: 'camera', title: 'Where', value: (f) => f.camera ?? f.recorder },
    { key: 'label', title: 'Label', value: (f) => f.label },
    { key: 'group', title: 'Group', value: (f) => f.group },
    { key: 'sentence', title: 'What', value: (f) => f.sentence },
    { key: 'direction', title: 'Costs', value: (f) => f.direction },
    { key: 'firstSeen', title: 'Since', value: (f) => f.firstSeen },
    { key: 'assignedTo', title: 'With', value: (f) => f.assignedTo },
  ];
  const HEADS = ['severity', 'camera', 'sentence', 'direction', 'firstSeen'];
  const listed = new Listed('findings', COLUMNS);
  const sorted = (all: readonly Finding[]) => arranged(all, COLUMNS, { ...listed.arrangement, words: '' });

  const running = new WorkFollower();
  const choice = new Choice();
  const acts = $derived(choice.acts.filter((act) => person.may(MORE.includes(act) ? 'EDITOR' : 'DECIDE')));
  let deciding = $state<'adopt' | 'accept' | 'assign' | undefined>();
  let looking = $state.raw<Finding | undefined>();
  let error = $state<Error | undefined>();

  const last = $derived(audited.data?.at);
  const answer = $derived.by(() => {
    if (!findings.data || !audited.data) {
      return undefined;
    }
    const { total } = findings.data;
    if (total === 0) {
      return shown === 'accepted'
        ? 'Nothing is accepted now.'
        : last
          ? `Nothing, as of ${when(last)}.`
          : 'No audit was run yet.';
    }
    const what = count(total, shown === 'accepted' ? 'accepted finding' : 'finding');
    return `${what}${select ? ` for ${select}` : ''}${last ? `, as of the audit ${ago(last)}` : ''}.`;
  });

  function turn(to: Record<string, string | undefined>) {
    const search: Record<string, string> = {};
    const wanted = { select, by, severity, assigned, shown: shown === 'open' ? undefined : shown, ...to };
    for (const [key, value] of Object.entries(wanted)) {
      if (
        value !== undefined &&
        (value !== '' || key === 'assigned') &&
        !(key === 'by' && value === 'cause')
      ) {
        search[key] = value;
      }
    }
    choice.clear();
    navigate('/audit', { search });
  }

  function changed() {
    choice.clear();
    void client.invalidateQueries();
  }

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
      running.follow(work.id, changed);
    });

  const reapply = () =>
    attempt(async () => {
      const work = await ask(api.POST('/api/v1/findings/reapply', { body: { findings: choice.ids } }));
      navigate('/rollouts/:id', { params: { id: String(work.id) } });
    });

  function decide(act: Act) {
    if (act === 'reapply') {
      void reapply();
    } else {
      deciding = act;
    }
  }

  function titleOf(name: string): string {
    if (name === '') {
      return by === 'person' ? 'nobody' : by === 'group' ? 'whole recorders' : 'other';
    }
    return by === 'group' ? groupName(name) : by === 'person' ? `with ${name}` : name;
  }
</script>

{#snippet picked(label: string, value: string, options: [string, string][], take: (value: string) => void)}
  <label class="flex items-baseline gap-2 text-sm">
    <span class="text-faint">{label}</span>
    <select class="field" {value} onchange={(e) => take(e.currentTarget.value)}>
      {#each options as [key, words] (key)}<option value={key}>{words}</option>{/each}
    </select>
  </label>
{/snippet}

<Page question="What is out of tune?" {answer}>
  {#snippet act()}
    {#if trend.data && shown === 'open'}<TrendBars days={trend.data} />{/if}
    <Allowed to="TECHNICIAN"
      ><button class="act act-main self-end" onclick={run} disabled={running.running}
        >{running.running ? 'Auditing …' : 'Audit now'}</button
      ></Allowed
    >
  {/snippet}
  {#if running.work && running.running}
    <div class="mb-6"><Progress work={running.work} unit="recorders" /></div>
  {/if}
  <div class="mb-4 flex flex-wrap items-center gap-x-5 gap-y-2">
    <div class="min-w-[220px] flex-1 basis-72">
      <SelectionBox
        value={select}
        placeholder="Of these cameras alone, such as group:terminals/haldr"
        onchoose={(chosen) => turn({ select: chosen })}
      />
    </div>
    {#if shown === 'open'}
      {@render picked(
        'By',
        by,
        [
          ...Object.entries(BY).map(([key, title]): [string, string] => [key, title.toLowerCase()]),
          ['none', 'one by one'],
        ],
        (value) => turn({ by: value }),
      )}
    {/if}
    {@render picked(
      'Severity',
      severity,
      [
        ['', 'any'],
        ['medium', 'medium and high'],
        ['high', 'high'],
      ],
      (value) => turn({ severity: value }),
    )}
    {@render picked(
      'With',
      assigned ?? 'any',
      [
        ['any', 'anybody'],
        [person.session?.user ?? 'me', 'me'],
        ['', 'nobody'],
      ],
      (value) => turn({ assigned: value === 'any' ? undefined : value }),
    )}
    {@render picked(
      'Show',
      shown,
      [
        ['open', 'open'],
        ['accepted', 'accepted'],
      ],
      (value) => turn({ shown: value === 'open' ? undefined : value }),
    )}
  </div>
  <Trouble {error} />
  <Loaded query={findings}>
    {#snippet children(page)}
      {#if page.items.length === 0}
        <Empty
          title={shown === 'accepted'
            ? 'Nothing is accepted.'
            : last
              ? 'Nothing is out of tune.'
              : 'Nothing was compared yet.'}
        >
          {select || severity || assigned !== undefined
            ? 'No finding is like that.'
            : last
              ? 'Every camera that could be read holds what it should.'
              : 'Run an audit to compare what cameras should have with what their recorders hold.'}
        </Empty>
      {:else}
        <p class="mb-1 flex justify-end gap-x-5 text-sm print:hidden">
          <a href="{p('/watch')}{select ? `?select=${encodeURIComponent(select)}` : ''}#report"
            >A report of some days</a
          >
          <button
            class="text-accent underline"
            title="These findings, one by one, as CSV"
            onclick={() =>
              attempt(async () =>
                listed.take(sorted(await everyOne({ ...narrowed, state: shown }, Infinity))),
              )}>Take as a file</button
          >
        </p>
        <div class="relative overflow-x-auto">
          <table class="w-full text-sm sm:min-w-[860px] sm:table-fixed">
            <colgroup class="max-sm:hidden">
              <col class="w-10" /><col class="w-20" /><col class="w-56" /><col /><col class="w-24" /><col
                class="w-28"
              /><col class="w-20" />
            </colgroup>
            <thead>
              <tr class="border-b border-line">
                <th class="w-8 py-2 text-left" scope="col">
                  {#if !grouped && mayChoose}
                    <input
                      type="checkbox"
                      aria-label="Choose all"
                      onchange={() => choice.toggleAll(page.items)}
                    />
                  {:else}<span class="sr-only">Choose</span>{/if}
                </th>
                {#if grouped}
                  <th class="head py-2 pr-4" scope="col" colspan="3">{BY[by]}</th>
                  <th class="head py-2 pr-4 max-sm:hidden" scope="col">Costs</th>
                  <th class="head py-2 pr-4 max-sm:hidden" scope="col">Since</th>
                {:else}
                  {#each COLUMNS.filter((c) => HEADS.includes(c.key)) as { key, title } (key)}
                    <th
                      class="head py-2 pr-4 {['What', 'Costs', 'Since'].includes(title)
                        ? 'max-sm:hidden'
                        : ''}"
                      scope="col"
                      aria-sort={direction(listed.arrangement.sort, key)}
                      ><SortHead {listed} column={key} {title} /></th
                    >
                  {/each}
                {/if}
                <th scope="col"><span class="sr-only">History</span></th>
              </tr>
            </thead>
            <tbody>
              {#if grouped}
                {#each groups.data ?? [] as group (by + group.name)}
                  <FindingGroupRows
                    {group}
                    title={titleOf(group.name)}
                    narrowed={{ ...narrowed, by, name: group.name }}
                    choice={mayChoose ? choice : undefined}
                    few={page.total <= FEW}
                    onopen={(f) => (looking = f)}
                  />
                {/each}
              {:else}
                <FindingRows
                  findings={sorted(page.items)}
                  choice={mayChoose ? choice : undefined}
                  onopen={(f) => (looking = f)}
                />
              {/if}
            </tbody>
          </table>
        </div>
      {/if}
    {/snippet}
  </Loaded>
  {#if choice.size > 0}
    <div
      class="sticky bottom-3 z-10 mt-4 flex flex-wrap items-center gap-2 rounded-md border border-line bg-raised px-4 py-2 shadow-lg"
      role="region"
      aria-label="What to do with what is chosen"
    >
      <span class="mr-2 font-semibold">{count(choice.size, 'finding')} chosen</span>
      {#each acts as what, i (what)}
        <button class="act {i === 0 ? 'act-main' : ''}" onclick={() => decide(what)}>{ACTS[what]}</button>
      {/each}
      <button class="act ml-auto" onclick={() => choice.clear()}>Choose none</button>
    </div>
  {/if}
</Page>

{#if deciding}
  <Decide act={deciding} ids={choice.ids} onclose={() => (deciding = undefined)} ondecided={changed} />
{/if}
{#if looking}
  <History finding={looking} onclose={() => (looking = undefined)} />
{/if}
