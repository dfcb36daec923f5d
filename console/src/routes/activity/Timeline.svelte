<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import { segments } from '../../lib/camera';
  import Allowed from '../../lib/ui/Allowed.svelte';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import MomentPicture from './MomentPicture.svelte';
  import DayLine from './DayLine.svelte';
  import { dayWords, foldedGaps, lengthWords, otherDay } from './days';

  /** The day that was chosen and the six before it, to the minute. */
  let { camera, date }: { camera: string; date: string } = $props();

  const path = $derived(segments(camera));
  let at = $state<number | undefined>();
  const from = $derived(otherDay(date, -6));
  const timeline = createQuery(() => ({
    queryKey: ['activity', camera, from, date],
    queryFn: () =>
      ask(
        api.GET('/api/v1/cameras/{recorder}/{channel}/activity', {
          params: { path, query: { from, until: date } },
        }),
      ),
  }));

  function clock(instant: string, zone: string): string {
    return new Intl.DateTimeFormat('en-GB', {
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
      timeZone: zone,
    })
      .format(new Date(instant))
      .replace(/,/g, '');
  }
</script>

<Loaded query={timeline}>
  {#snippet children(view)}
    <div class="mb-2 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h2 class="font-semibold">{view.label}, {dayWords(from)} to {dayWords(date)}</h2>
      <span class="text-sm text-faint">times in {view.zone}</span>
    </div>
    {#if view.days.length === 0}
      <p class="text-faint">Nothing is known of these days.</p>
    {/if}
    <div class="grid grid-cols-[84px_1fr_64px] gap-x-3 text-xs text-faint" aria-hidden="true">
      <span></span>
      <div class="flex">
        {#each ['00', '03', '06', '09', '12', '15', '18', '21'] as hour (hour)}<span class="w-1/8"
            >{hour}</span
          >{/each}
      </div>
    </div>
    {#each view.days.toReversed() as day (day.date)}
      <DayLine {view} {day} strong={day.date === date} {at} onat={(instant) => (at = instant)} />
    {/each}
    <Allowed to="FOOTAGE">
      <MomentPicture {path} zone={view.zone} {date} {at} onat={(instant) => (at = instant)} />
    </Allowed>
    {#if view.foldedUntil}
      <p class="mt-2 text-sm text-faint">
        Up to {dayWords(view.foldedUntil)} only the sums are kept.
      </p>
    {/if}
    {#if view.missing.length > 0}
      <h3 class="mt-4 text-sm font-semibold text-loss">Missing</h3>
      <ul class="text-sm">
        {#each foldedGaps(view.missing, view.zone) as fold (fold.date + fold.demanded + fold.words)}
          <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1">
            <span class="w-[92px]">{dayWords(fold.date)}</span>
            <span class="w-[120px]">{fold.from} to {fold.until}</span>
            <span class="w-[160px]"
              >{lengthWords(fold.seconds)}{fold.pieces > 1 ? ` in ${fold.pieces} pieces` : ''}</span
            >
            <span class="w-[90px]">{fold.demanded}</span>
            <span class="min-w-[200px] flex-1 text-faint">{fold.words}</span>
          </li>
        {/each}
      </ul>
    {/if}
    {#if view.turns.length > 0}
      <h3 class="mt-4 text-sm font-semibold">What changed</h3>
      <ul class="text-sm">
        {#each view.turns as turn, i (i)}
          <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1">
            <span class="w-[168px]">{clock(turn.at, view.zone)}</span>
            <span class="min-w-[200px] flex-1">{turn.words}</span>
          </li>
        {/each}
      </ul>
    {/if}
  {/snippet}
</Loaded>
