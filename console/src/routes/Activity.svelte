<script lang="ts">
  import { createInfiniteQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { count, dayIn } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { WorkFollower } from '../lib/work.svelte';
  import { navigate, p, route } from '../router';
  import { datesOf, monthOf, monthWords, otherMonth, REASONS, summary } from './activity/days';
  import BeforeAfter from './activity/BeforeAfter.svelte';
  import MonthGrid from './activity/MonthGrid.svelte';

  const PAGE = 100;
  const today = dayIn(0);
  const select = $derived(String(route.search.select ?? ''));
  const month = $derived(
    /^\d{4}-\d{2}$/.test(String(route.search.month ?? '')) ? String(route.search.month) : monthOf(today),
  );
  const chosen = $derived(
    route.search.camera && route.search.day
      ? { camera: String(route.search.camera), date: String(route.search.day) }
      : undefined,
  );

  const client = useQueryClient();
  const calendar = createInfiniteQuery(() => ({
    queryKey: ['activity-month', select, month],
    queryFn: ({ pageParam }: { pageParam: string | undefined }) =>
      ask(
        api.GET('/api/v1/activity/calendar', {
          params: {
            query: {
              select,
              from: `${month}-01`,
              until: datesOf(month).at(-1)!,
              limit: PAGE,
              after: pageParam,
            },
          },
        }),
      ),
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next,
  }));
  const cameras = $derived(calendar.data?.pages.flatMap((page) => page.items) ?? []);
  const total = $derived(calendar.data?.pages[0]?.total ?? 0);
  const answer = $derived.by(() => {
    if (!calendar.data) {
      return undefined;
    }
    if (total === 0) {
      return 'There is no camera to tell of.';
    }
    const missing = cameras.filter((c) => summary(c.days).missing > 0).length;
    const unknown = cameras.filter((c) => summary(c.days).known === 0).length;
    const of =
      cameras.length < total
        ? `Of the first ${cameras.length} of ${count(total, 'camera')}`
        : `Of ${count(total, 'camera')}`;
    return `${of}, ${missing === 0 ? 'none' : missing} ${missing === 1 ? 'has' : 'have'} something missing in ${monthWords(month)}${
      unknown > 0 ? `; of ${unknown} nothing is known` : ''
    }.`;
  });

  function go(change: Record<string, string | undefined>) {
    const search: Record<string, string> = {};
    for (const [key, value] of Object.entries({
      select,
      month,
      camera: chosen?.camera,
      day: chosen?.date,
      ...change,
    })) {
      if (value) {
        search[key] = value;
      }
    }
    navigate('/activity', { search });
  }

  const reading = new WorkFollower();
  let trouble = $state<Error | undefined>();

  async function read() {
    trouble = undefined;
    try {
      const work = await ask(api.POST('/api/v1/activity/readings', { body: { select } }));
      reading.follow(work.id, () => void client.invalidateQueries({ queryKey: ['activity-month'] }));
    } catch (e) {
      trouble = e as Error;
    }
  }
</script>

<Page question="What was recorded?" {answer}>
  {#snippet act()}
    <div class="flex items-center gap-1" role="group" aria-label="Month">
      <button
        class="act"
        onclick={() => go({ month: otherMonth(month, -1), camera: undefined, day: undefined })}
        >Earlier</button
      >
      <span class="min-w-[130px] text-center font-semibold" aria-live="polite">{monthWords(month)}</span>
      <button
        class="act"
        disabled={month >= monthOf(today)}
        onclick={() => go({ month: otherMonth(month, 1), camera: undefined, day: undefined })}>Later</button
      >
    </div>
    <Allowed to="TECHNICIAN">
      <button class="act" onclick={read} disabled={reading.work !== undefined && !reading.work.endedAt}
        >Ask the recorders</button
      >
    </Allowed>
  {/snippet}
  {#if trouble}<Trouble error={trouble} />{/if}
  {#if reading.work && !reading.work.endedAt}
    <div class="mb-4 max-w-[480px]"><Progress work={reading.work} unit="recorders" /></div>
  {:else if reading.work}
    <p class="mb-4 text-sm text-faint" role="status">{reading.work.note}</p>
  {/if}
  <ul class="mb-4 flex flex-wrap gap-x-5 gap-y-1 text-xs text-faint" aria-label="Key">
    {#each REASONS as reason (reason.key)}
      <li class="flex items-center gap-1.5">
        <span class="inline-block h-3 w-4 rounded-[2px] {reason.texture}" aria-hidden="true"></span>
        {reason.letter}
        {reason.word}
      </li>
    {/each}
    <li class="flex items-center gap-1.5">
      <span class="font-bold text-loss" aria-hidden="true">!</span> something is missing
    </li>
    <li class="flex items-center gap-1.5">
      <span class="not-known inline-block h-3 w-4 rounded-[2px]" aria-hidden="true"></span> not known
    </li>
    <li>a quarter of the day is half of the height</li>
  </ul>
  <Loaded query={calendar}>
    {#if cameras.length === 0}
      <Empty title={select ? 'No camera is selected.' : 'No camera is known yet.'}>
        {#if select}Choose cameras above, such as group:terminals/haldr.{:else}<a href={p('/recorders')}
            >Find recorders and add them</a
          >; their cameras appear once they are read.{/if}
      </Empty>
    {:else}
      <MonthGrid
        {cameras}
        {month}
        {today}
        {chosen}
        onchoose={(camera, date) =>
          go(
            chosen?.camera === camera && chosen.date === date
              ? { camera: undefined, day: undefined }
              : { camera, day: date },
          )}
      />
      {#if calendar.hasNextPage}
        <button
          class="act mt-4"
          onclick={() => calendar.fetchNextPage()}
          disabled={calendar.isFetchingNextPage}
          >{calendar.isFetchingNextPage ? 'Loading …' : `More of ${count(total, 'camera')}`}</button
        >
      {/if}
    {/if}
  </Loaded>
  {#key select}<BeforeAfter {select} {today} />{/key}
</Page>

<style>
  .not-known {
    background: repeating-linear-gradient(135deg, var(--paper) 0 3px, var(--line) 3px 4px);
  }
</style>
