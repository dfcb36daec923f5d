<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, duration, groupName, groupTerm, number } from '../lib/format';
  import { wordOf } from '../lib/guide/of-settings';
  import Word from '../lib/guide/Word.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import MarkStrip from '../lib/ui/MarkStrip.svelte';
  import Page from '../lib/ui/Page.svelte';
  import { p } from '../router';
  import Beginning from './Beginning.svelte';
  import Since from './Since.svelte';

  type Overview = Schemas['Overview'];

  const overview = createQuery(() => ({
    queryKey: ['overview'],
    queryFn: () => ask(api.GET('/api/v1/overview')),
  }));

  /** Looking is said once for each visit to this page; what is new stays for as long as somebody stays. */
  const since = createQuery(() => ({
    queryKey: ['since'],
    staleTime: Infinity,
    queryFn: () => ask(api.POST('/api/v1/overview/since')),
  }));

  const now = createQuery(() => ({
    queryKey: ['now-counts'],
    refetchInterval: 15_000,
    queryFn: () => ask(api.GET('/api/v1/activity/now/counts')),
  }));

  function answer(o: Overview): string {
    if (o.cameras === 0) {
      return 'There is no camera yet.';
    }
    const asked = o.cameras - o.notGoverned;
    if (asked === 0) {
      return 'That cannot be said before something is asked of it.';
    }
    const rest = o.notGoverned === 0 ? '' : ` Of ${number(o.notGoverned)} nothing is asked.`;
    return o.inTune === asked
      ? `Yes: all ${count(asked, 'camera')} hold what they should.${rest}`
      : `${number(o.inTune)} of ${count(asked, 'camera')} hold what they should.${rest}`;
  }

  const FEW = 3;
  /** Of a few recorders which, of many how many. */
  function awayNames(o: Overview): string {
    const recorders = o.away.reduce((sum, a) => sum + a.recorders, 0);
    return recorders <= FEW
      ? o.away.flatMap((a) => a.some).join(', ')
      : `${count(recorders, 'recorder')}: ${o.away
          .map((a) => a.some[0])
          .slice(0, FEW)
          .join(', ')} …`;
  }

  /** Settings that nobody governs anywhere would be empty columns. */
  function columns(o: Overview) {
    return o.columns.filter((_, i) => o.rows.some((r) => (r.cells[i]?.members ?? 0) > 0));
  }

  /** A group of which nothing is astray folds away where there are many. */
  const FOLDED_FROM = 25;
  const isWell = (row: Schemas['OverviewRow']) =>
    row.cells.every((c) => c.marks.every((m) => m.kind === 'in-tune' || m.kind === 'cannot'));
  let unfolded = $state(false);
  const rows = (o: Overview) =>
    o.rows.length < FOLDED_FROM || unfolded ? o.rows : o.rows.filter((r) => !isWell(r));

  /** Settings that somebody left out here; the others are shown, whatever comes. */
  const HIDDEN = 'choir.overview.hidden';
  let hidden = $state<string[]>(kept());
  function kept(): string[] {
    try {
      const said: unknown = JSON.parse(localStorage.getItem(HIDDEN) ?? '[]');
      return Array.isArray(said) ? said.map(String) : [];
    } catch {
      return [];
    }
  }
  function show(key: string, shown: boolean) {
    hidden = shown ? hidden.filter((k) => k !== key) : [...hidden, key];
    localStorage.setItem(HIDDEN, JSON.stringify(hidden));
  }
  const shownColumns = (o: Overview) => columns(o).filter((c) => !hidden.includes(c.key));

  function cell(row: Schemas['OverviewRow'], key: string): Schemas['Cell'] | undefined {
    return row.cells.find((c) => c.key === key && c.members > 0);
  }

  function label(cell: Schemas['Cell'], title: string): string {
    const astray = cell.members - cell.inTune;
    return astray === 0
      ? `${title}: all ${cell.members} in tune`
      : `${title}: ${astray} of ${cell.members} not in tune`;
  }

  function astray(cell: Schemas['Cell']) {
    return cell.marks.filter((m) => m.kind !== 'in-tune');
  }
</script>

<Page question="Is the fleet in tune?" answer={overview.data ? answer(overview.data) : undefined}>
  <Loaded query={overview}>
    {#snippet children(o)}
      {#if o.notGoverned === o.cameras}
        <Beginning overview={o} />
      {:else}
        <div class="mb-8 grid gap-x-10 gap-y-5 md:grid-cols-3">
          <section class="border-t-2 pt-2 {o.atRisk > 0 ? 'border-loss' : 'border-line'}">
            <h2 class="head mb-1.5"><Word of="towards-loss">At risk of loss</Word></h2>
            {#if o.atRisk > 0}
              <p>
                <a href={p('/audit') + '?select=state:at-risk'} class="font-semibold text-loss"
                  >{count(o.atRisk, 'camera')}</a
                >
                {#if o.minutesWithoutRecording > 0}
                  {o.atRisk === 1 ? 'loses' : 'lose'} footage now:
                  {duration(o.minutesWithoutRecording)} a week without recording.
                {:else}
                  may miss what happens: what triggers there is turned down.
                {/if}
              </p>
            {:else}
              <p>No camera is known to lose footage.</p>
            {/if}
          </section>
          <section class="border-t-2 pt-2 {o.waiting > 0 ? 'border-waiting' : 'border-line'}">
            <h2 class="head mb-1.5"><Word of="waiting">Waiting</Word></h2>
            {#if o.waiting > 0}
              <p>
                <a href={p('/rollouts') + '?select=state:waiting'} class="font-semibold text-waiting"
                  >{count(o.waiting, 'camera')}</a
                >
                {o.waiting === 1 ? 'waits' : 'wait'} for what is said here to be given out.
              </p>
            {:else}
              <p>Everything that is said here is on the recorders.</p>
            {/if}
          </section>
          <section class="border-t-2 pt-2 {o.drifted + o.unknown > 0 ? 'border-waste' : 'border-line'}">
            <h2 class="head mb-1.5">
              <Word of="changed-at-the-recorder">Changed</Word> or <Word of="not-known">not read</Word>
            </h2>
            <p>
              {#if o.drifted > 0}
                <a href={p('/audit') + '?select=state:drifted'} class="font-semibold"
                  >{count(o.drifted, 'camera')}</a
                >
                {o.drifted === 1 ? 'was' : 'were'} changed at the recorder.
              {:else}
                No camera was changed at its recorder.
              {/if}
              {#if o.unknown > 0}
                {count(o.unknown, 'camera')} could not be read ({awayNames(o)}).
              {/if}
              {#each o.paused.slice(0, FEW) as words (words)}{words}.
              {/each}
              {#if o.paused.length > FEW}and {o.paused.length - FEW} more are paused.{/if}
            </p>
          </section>
        </div>
        {#if now.data}
          {@const n = now.data}
          <p class="mb-6 text-sm">
            <span class="head mr-2">Now</span>
            {#if n.known === 0}
              Which cameras record at this moment is not told by any recorder of itself; a group’s page asks.
            {:else}
              <a href={p('/activity')} class="font-semibold">{count(n.records, 'camera')}</a>
              {n.records === 1 ? 'records' : 'record'}, {n.moves === 0 ? 'none' : n.moves}
              {n.moves === 1 ? 'sees' : 'see'} something move.
              {#if n.known < n.cameras}
                <span class="text-faint"
                  >Of {n.cameras - n.known} it is not known: their recorders do not tell of themselves.</span
                >
              {/if}
            {/if}
          </p>
        {/if}
        {#if since.data?.since}<Since since={since.data} />{/if}
        <details class="mb-2 text-sm">
          <summary class="cursor-pointer text-faint"
            >{shownColumns(o).length === columns(o).length
              ? 'All settings are shown'
              : `${shownColumns(o).length} of ${count(columns(o).length, 'setting')} are shown`}</summary
          >
          <fieldset class="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            <legend class="sr-only">Settings that are shown</legend>
            {#each columns(o) as column (column.key)}
              <label class="flex items-center gap-1.5"
                ><input
                  type="checkbox"
                  checked={!hidden.includes(column.key)}
                  onchange={(e) => show(column.key, e.currentTarget.checked)}
                />{column.title}</label
              >
            {/each}
          </fieldset>
        </details>
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[880px] border-collapse text-sm">
            <caption class="sr-only">Groups against settings, with a mark for what is not in tune</caption>
            <thead>
              <tr class="border-b border-line align-bottom">
                <th class="head py-2 pr-4" scope="col">Group</th>
                <th class="head py-2 pr-2 text-right" scope="col">Cameras</th>
                {#each shownColumns(o) as column (column.key)}
                  <th class="head px-1 py-2 text-center" scope="col"
                    ><Word of={wordOf(column.key)}>{column.title}</Word></th
                  >
                {/each}
              </tr>
            </thead>
            <tbody>
              {#each rows(o) as row (row.group)}
                <tr class="border-b border-line/60 hover:bg-raised">
                  <th scope="row" class="py-1.5 pr-2 text-left font-normal whitespace-nowrap">
                    <a
                      class="text-ink no-underline hover:underline"
                      href={p('/fleet') + '?select=' + encodeURIComponent(groupTerm(row.group))}
                      >{groupName(row.group)}</a
                    >
                  </th>
                  <td class="py-1.5 pr-2 text-right">{number(row.cameras)}</td>
                  {#each shownColumns(o) as column (column.key)}
                    {@const c = cell(row, column.key)}
                    <td class="px-px py-1.5 text-center">
                      {#if c}
                        <MarkStrip members={astray(c)} quiet={c.inTune} label={label(c, column.title)} />
                      {/if}
                    </td>
                  {/each}
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
        {#if o.rows.length >= FOLDED_FROM}
          {@const well = o.rows.filter(isWell).length}
          {#if well > 0}
            <button
              class="mt-2 text-sm text-accent underline"
              aria-expanded={unfolded}
              onclick={() => (unfolded = !unfolded)}
              >{unfolded ? 'Fold away what is well' : `${count(well, 'group')} of which all is well`}</button
            >
          {/if}
        {/if}
        <p class="mt-4 text-xs leading-7 text-faint">
          Dot on the notch: <Word of="in-tune">in tune</Word>. Left:
          <Word of="towards-loss">towards loss</Word>, right: <Word of="towards-waste">towards waste</Word>.
          Ring:
          <Word of="waiting">waiting</Word>. Gap: <Word of="not-known">not known</Word>. Square:
          <Word of="cannot-be-honoured">the recorder cannot do it</Word>.
        </p>
      {/if}
    {/snippet}
  </Loaded>
</Page>
