<script lang="ts">
  import { createInfiniteQuery } from '@tanstack/svelte-query';
  import { VList } from 'virtua/svelte';
  import { api, ask } from '../lib/api/client';
  import { count, groupName } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { cameraPath, p, route } from '../router';
  import { Choice } from './fleet-choice.svelte';
  import FleetActs from './FleetActs.svelte';
  import GroupTree from './GroupTree.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const PAGE = 200;
  const select = $derived(String(route.search.select ?? ''));

  const cameras = createInfiniteQuery(() => ({
    queryKey: ['cameras', select],
    queryFn: ({ pageParam }: { pageParam: string | undefined }) =>
      ask(api.GET('/api/v1/cameras', { params: { query: { select, limit: PAGE, after: pageParam } } })),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next,
  }));
  const rows = $derived(cameras.data?.pages.flatMap((page) => page.items) ?? []);
  const total = $derived(cameras.data?.pages[0]?.total ?? 0);
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
      ? select
        ? `${count(total, 'camera')} selected by ${select}.`
        : `All ${count(total, 'camera')}.`
      : undefined,
  );
  const GRID =
    'grid grid-cols-[24px_48px_108px_minmax(120px,1.3fr)_minmax(110px,1fr)_minmax(150px,1.3fr)_56px_minmax(80px,0.8fr)] gap-x-3';
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
      <Allowed to="EDITOR"><FleetActs {choice} /></Allowed>
      <Loaded query={cameras}>
        {#if rows.length === 0}
          <Empty title="No camera is selected.">
            Groups leave the root out (group:terminals/haldr), commas widen, words narrow, not: excludes.
          </Empty>
        {:else}
          <div class="relative overflow-x-auto" role="table" aria-label="Cameras" aria-rowcount={total}>
            <div class="min-w-[800px]">
              <div class="{GRID} border-b border-line pb-2" role="row">
                {#each ['Chosen', 'Tuning', 'Camera', 'Label', 'Device', 'Group', 'Family', 'Tags'] as title (title)}
                  <span class="head" role="columnheader"
                    ><span class={title === 'Chosen' ? 'sr-only' : ''}>{title}</span></span
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
                    class="{GRID} items-center border-b border-line/60 py-1.5 text-sm hover:bg-raised"
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
                    <span role="cell"><TuningMark mark={row.mark} /></span>
                    <a role="cell" class="native" href={cameraPath(row.camera)}>{row.camera}</a>
                    <span role="cell" class="truncate font-semibold">{row.label}</span>
                    <span role="cell" class="truncate text-faint">{row.deviceName}</span>
                    <span role="cell" class="truncate">{groupName(row.group)}</span>
                    <span role="cell">{row.family}</span>
                    <span role="cell" class="truncate text-faint">{row.tags.join(', ')}</span>
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
