<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { count, dayIn } from '../../lib/format';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import { cameraPath, p } from '../../router';
  import DayBar from './DayBar.svelte';
  import { cellWords, lengthWords, nowWords, nowsFirst, otherDay, summary } from './days';

  /** Of each camera whether it records now, and a small line of what it recorded on the last days. */
  let { select, days = 14, named = true }: { select: string; days?: number; named?: boolean } = $props();

  const MOST = 100;
  const EVERY_MILLIS = 15_000;
  const today = dayIn(0);
  const dates = $derived(Array.from({ length: days }, (_, i) => otherDay(today, i + 1 - days)));
  const calendar = createQuery(() => ({
    queryKey: ['activity-last', select, days],
    queryFn: () =>
      ask(
        api.GET('/api/v1/activity/calendar', {
          params: { query: { select, from: dates[0]!, until: today, limit: MOST } },
        }),
      ),
  }));
  const now = createQuery(() => ({
    queryKey: ['activity-now', select],
    retry: false,
    refetchInterval: EVERY_MILLIS,
    queryFn: () => ask(api.GET('/api/v1/activity/now', { params: { query: { select } } })),
  }));
  const nows = $derived(new Map((now.data ?? []).map((n) => [n.camera, n])));
  const odd = $derived((now.data ?? []).filter((n) => n.odd));

  function address(camera: string): string {
    return `${p('/activity')}?${new URLSearchParams({ select: `camera:"${camera}"` }).toString()}`;
  }

  const sorted = (cameras: Schemas['CameraDays'][]) => nowsFirst(cameras, nows);
</script>

<Loaded query={calendar}>
  {#snippet children(page)}
    {#if now.isError}
      <p class="mb-2 text-sm text-faint">What records now is not known: {now.error.message}</p>
    {:else if odd.length > 0}
      <p class="mb-2 text-sm" role="status">
        <span class="font-semibold">{count(odd.length, 'camera')}</span>
        {odd.length === 1 ? 'does' : 'do'} now what nobody would expect of {odd.length === 1 ? 'it' : 'them'}.
      </p>
    {/if}
    <ul class="text-sm">
      {#each sorted(page.items) as camera (camera.camera)}
        {@const byDate = new Map(camera.days.map((d) => [d.date, d]))}
        {@const sum = summary(camera.days)}
        {@const at = nows.get(camera.camera)}
        <li class="line {named ? '' : 'alone'} border-b border-line/60 py-1">
          {#if named}
            <a
              class="truncate font-semibold text-ink no-underline hover:underline"
              href={cameraPath(camera.camera)}
              title={camera.camera}>{camera.label}</a
            >
          {/if}
          <span class="now {at?.odd ? 'font-semibold text-loss' : 'text-faint'}"
            ><i class={at?.records === undefined ? 'unknown' : at.records ? 'on' : 'off'} aria-hidden="true"
            ></i>{now.isPending ? '…' : nowWords(at)}</span
          >
          <a
            class="days"
            href={address(camera.camera)}
            aria-label="What {camera.label} recorded on the last {days} days, by day"
          >
            {#each dates as date (date)}
              <span class="day" title={cellWords(date, byDate.get(date), today)}
                ><DayBar day={byDate.get(date)} past /></span
              >
            {/each}
          </a>
          <span class="text-right {sum.missing > 0 ? 'font-semibold text-loss' : 'text-faint'}"
            >{sum.missing > 0
              ? `${lengthWords(sum.missing)} missing`
              : sum.known === 0
                ? 'not known'
                : ''}</span
          >
        </li>
      {/each}
    </ul>
    <p class="mt-2 text-sm">
      {#if page.total > page.items.length}
        <span class="text-faint">The first {page.items.length} of {count(page.total, 'camera')}.</span>
      {/if}
      <a href="{p('/activity')}?select={encodeURIComponent(select)}"
        >By month, by the minute, before and after</a
      >
    </p>
  {/snippet}
</Loaded>

<style>
  .line {
    display: grid;
    grid-template-columns: minmax(110px, 180px) minmax(130px, 230px) minmax(120px, 1fr) 120px;
    align-items: center;
    column-gap: 14px;
  }
  .line.alone {
    grid-template-columns: minmax(130px, 230px) minmax(120px, 1fr) 120px;
  }
  .now > i {
    display: inline-block;
    width: 10px;
    height: 10px;
    margin-right: 6px;
    border: 1.5px solid var(--ink);
    border-radius: 50%;
    vertical-align: -1px;
  }
  .now > .on {
    background: var(--ink);
  }
  .now > .unknown {
    border-style: dotted;
    border-color: var(--faint);
  }
  .days {
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
    gap: 2px;
  }
  .day {
    position: relative;
    display: flex;
    height: 24px;
    flex-direction: column-reverse;
    overflow: hidden;
    border-radius: 2px;
    background: var(--sunken);
  }
  .days:hover > .day {
    outline: 1px solid var(--accent);
  }
  @media (max-width: 640px) {
    .line,
    .line.alone {
      grid-template-columns: 1fr 1fr;
      row-gap: 4px;
    }
    .line > .days {
      grid-column: 1 / -1;
    }
  }
</style>
