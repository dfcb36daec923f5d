<script lang="ts">
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { VList } from 'virtua/svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, groupName } from '../lib/format';
  import { direction, type ListColumn } from '../lib/list/arrange';
  import { Listed } from '../lib/list/listed.svelte';
  import SortHead from '../lib/list/SortHead.svelte';
  import ListTools from '../lib/list/ListTools.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { cameraPath, p, route } from '../router';
  import { Choice } from './fleet-choice.svelte';
  import FleetActs from './FleetActs.svelte';
  import GroupTree from './GroupTree.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const PAGE = 200;
  const select = $derived(String(route.search.select ?? ''));

  type Row = Schemas['CameraRow'];
  const COLUMNS: ListColumn<Row>[] = [
    { key: 'mark', title: 'Tuning', value: (r) => r.mark.text },
    { key: 'camera', title: 'Camera', value: (r) => r.camera },
    { key: 'label', title: 'Label', value: (r) => r.label },
    { key: 'deviceName', title: 'Device', value: (r) => r.deviceName },
    { key: 'group', title: 'Group', value: (r) => r.group },
    { key: 'family', title: 'Family', value: (r) => r.family },
    { key: 'tags', title: 'Tags', value: (r) => r.tags.join(' ') },
    { key: 'states', title: 'States', value: (r) => r.states.join(' '), aside: true },
  ];
  const TRACKS: Record<string, string> = {
    mark: '48px',
    camera: '108px',
    label: 'minmax(104px, 1.3fr)',
    deviceName: 'minmax(104px, 1fr)',
    group: 'minmax(132px, 1.3fr)',
    family: '56px',
    tags: 'minmax(84px, 0.8fr)',
    states: 'minmax(120px, 1fr)',
  };
  const LOOKS: Record<string, string> = {
    label: 'font-semibold',
    deviceName: 'text-faint',
    tags: 'text-faint',
    states: 'text-faint',
  };
  const listed = new Listed('cameras', COLUMNS);
  const columns = $derived(listed.columns);
  const tracks = $derived(['24px', ...columns.map((c) => TRACKS[c.key])].join(' '));
  /** Of a column that there is: an address may be older than this version. */
  const sort = $derived(
    COLUMNS.some((c) => c.key === listed.arrangement.sort.replace(/^-/, '')) ? listed.arrangement.sort : '',
  );

  /** Of any number; the service puts them in order. */
  function fetched(limit: number, after: string | undefined) {
    return ask(api.GET('/api/v1/cameras', { params: { query: { select, sort, limit, after } } }));
  }

  const cameras = createInfiniteQuery(() => ({
    queryKey: ['cameras', select, sort],
    queryFn: ({ pageParam }: { pageParam: string | undefined }) => fetched(PAGE, pageParam),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next,
    // In another order the heads stay, and with them where the keyboard is.
    placeholderData: (before, query) => (query?.queryKey[1] === select ? before : undefined),
  }));
  const rows = $derived(cameras.data?.pages.flatMap((page) => page.items) ?? []);
  const total = $derived(cameras.data?.pages[0]?.total ?? 0);

  /** All that are selected, however many, a page after another. */
  let taking = $state(0);
  let error = $state<Error | undefined>();
  async function take() {
    error = undefined;
    const all: Row[] = [];
    try {
      for (let after: string | undefined, first = true; first || after; first = false) {
        taking = all.length + 1;
        const page = await fetched(1000, after);
        all.push(...page.items);
        after = page.next;
      }
      listed.take(all);
    } catch (e) {
      error = e as Error;
    } finally {
      taking = 0;
    }
  }
  const choice = new Choice();
  const order = $derived(rows.map((r) => r.camera));
  let list = $state<{ getScrollOffset(): number; getScrollSize(): number; getViewportSize(): number }>();

  function more() {
    if (!list || !cameras.hasNextPage || cameras.isFetchingNextPage) {
      return;
    }
    if (list.getScrollOffset() + list.getViewportSize() * 2 > list.getScrollSize()) {
      void cameras.fetchNextPage();
    }
  }

  const answer = $derived(
    cameras.data
      ? total === 0 && !select
        ? 'There is no camera yet.'
        : select
          ? `${count(total, 'camera')} selected by ${select}.`
          : `All ${count(total, 'camera')}.`
      : undefined,
  );
</script>

<Page question="Which cameras are there?" {answer}>
  {#snippet act()}
    {#if select.startsWith('group:') && !select.includes(' ')}
      <a class="act no-underline" href={p('/group') + '?path=' + encodeURIComponent(select.slice(6))}
        >Its pictures</a
      >
    {/if}
  {/snippet}
  <div class="grid gap-8 lg:grid-cols-[240px_1fr]">
    <GroupTree {select} carried={[...choice.chosen]} onmoved={() => choice.clear()} />
    <div class="min-w-0">
      {#if total > 0}<Allowed to="EDITOR"><FleetActs {choice} /></Allowed>{/if}
      <Loaded query={cameras}>
        {#if rows.length === 0}
          <Empty title={select ? 'No camera is selected.' : 'No camera is known yet.'}>
            {#if !select}
              <a href={p('/recorders')}>Find recorders and add them</a>; their cameras appear once they are
              read.
            {:else}
              Groups leave the root out (group:terminals/haldr), commas widen, words narrow, not: excludes.
            {/if}
          </Empty>
        {:else}
          <ListTools {listed} ontake={take}>
            {#if taking > 0}
              <span role="status" class="text-faint">{taking - 1} of {count(total, 'camera')} taken …</span>
            {/if}
          </ListTools>
          <Trouble {error} />
          <div class="relative overflow-x-auto" role="table" aria-label="Cameras" aria-rowcount={total}>
            <div class="min-w-[800px]">
              <div
                class="grid gap-x-3 border-b border-line pb-2"
                style:grid-template-columns={tracks}
                role="row"
              >
                <span class="head" role="columnheader"><span class="sr-only">Chosen</span></span>
                {#each columns as column (column.key)}
                  <span role="columnheader" aria-sort={direction(sort, column.key)}
                    ><SortHead {listed} column={column.key} title={column.title} /></span
                  >
                {/each}
              </div>
              <VList
                bind:this={list}
                data={rows}
                getKey={(row) => row.camera}
                itemSize={34}
                style="height: max(320px, calc(100dvh - 250px))"
                onscroll={more}
              >
                {#snippet children(row)}
                  <div
                    class="grid items-baseline gap-x-3 border-b border-line/60 py-1.5 text-sm hover:bg-raised"
                    style:grid-template-columns={tracks}
                    role="row"
                    tabindex="-1"
                    draggable="true"
                    ondragstart={(e) =>
                      e.dataTransfer?.setData(
                        'text/x-cameras',
                        choice.chosen.has(row.camera) ? [...choice.chosen].join(' ') : row.camera,
                      )}
                  >
                    <span role="cell"
                      ><input
                        type="checkbox"
                        class="align-middle"
                        aria-label="Choose {row.camera}"
                        checked={choice.chosen.has(row.camera)}
                        onclick={(e) => choice.toggle(row.camera, e.shiftKey, order)}
                      /></span
                    >
                    {#each columns as { key, value } (key)}
                      {#if key === 'mark'}
                        <span role="cell"><TuningMark mark={row.mark} /></span>
                      {:else if key === 'camera'}
                        <a role="cell" class="native" href={cameraPath(row.camera)}>{row.camera}</a>
                      {:else}
                        {@const text = key === 'group' ? groupName(row.group) : String(value(row) ?? '')}
                        <span role="cell" class="min-w-0 break-words {LOOKS[key] ?? ''}">{text}</span>
                      {/if}
                    {/each}
                  </div>
                {/snippet}
              </VList>
            </div>
          </div>
        {/if}
      </Loaded>
    </div>
  </div>
</Page>
