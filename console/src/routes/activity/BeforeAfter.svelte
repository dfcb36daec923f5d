<script lang="ts">
  import { untrack } from 'svelte';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Attempt } from '../../lib/attempt.svelte';
  import { bytes, count } from '../../lib/format';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { cameraPath } from '../../router';
  import { changeWords, lengthWords, otherDay, REASONS } from './days';

  /** Two spans of days beside each other: what a change came to. */
  let { select, today }: { select: string; today: string } = $props();

  const WEEK = 7;
  // The last week that is over, beside the one before it.
  let until = $state(untrack(() => otherDay(today, -1)));
  let from = $state(untrack(() => otherDay(today, -WEEK)));
  let beforeUntil = $state(untrack(() => otherDay(today, -WEEK - 1)));
  let beforeFrom = $state(untrack(() => otherDay(today, -2 * WEEK)));
  let found = $state.raw<Schemas['ComparisonView'] | undefined>();
  const work = new Attempt();

  function compare(e: SubmitEvent) {
    e.preventDefault();
    void work.run(async () => {
      found = await ask(
        api.GET('/api/v1/activity/comparison', {
          params: {
            query: { select, before: `${beforeFrom}..${beforeUntil}`, after: `${from}..${until}` },
          },
        }),
      );
    });
  }

  const hoursWords = (hours: number) => (hours === 0 ? 'none' : lengthWords(hours * 3_600));

  interface Row {
    what: string;
    before: number;
    after: number;
    words: (n: number) => string;
    part?: string;
  }
  const rows = $derived.by<Row[]>(() => {
    if (!found) {
      return [];
    }
    const { before, after } = found;
    const whole = (n: number) => Math.round(n).toLocaleString('en-GB');
    return [
      { what: 'Recorded', before: before.hours, after: after.hours, words: hoursWords },
      ...REASONS.filter((r) => before.by[r.key] !== 0 || after.by[r.key] !== 0).map((r) => ({
        what: r.word,
        before: before.by[r.key],
        after: after.by[r.key],
        words: hoursWords,
        part: r.texture,
      })),
      { what: 'Missing', before: before.missingHours, after: after.missingHours, words: hoursWords },
      { what: 'Motion began', before: before.events, after: after.events, words: whole },
      { what: 'Something moved', before: before.movedHours, after: after.movedHours, words: hoursWords },
      ...(found.measured > 0
        ? [
            {
              what: found.measured < found.cameras ? `On disks (${found.measured} cameras told)` : 'On disks',
              before: before.bytes,
              after: after.bytes,
              words: bytes,
            },
          ]
        : []),
    ];
  });
</script>

<section class="mt-10" aria-labelledby="before-after">
  <h2 id="before-after" class="text-lg font-semibold">Before and after</h2>
  <form class="mt-2 flex flex-wrap items-end gap-3" onsubmit={compare}>
    <label class="text-sm"
      >Before, from<br /><input type="date" class="field" bind:value={beforeFrom} required /></label
    >
    <label class="text-sm"
      >until<br /><input type="date" class="field" bind:value={beforeUntil} required /></label
    >
    <label class="text-sm"
      >After, from<br /><input type="date" class="field" bind:value={from} required /></label
    >
    <label class="text-sm">until<br /><input type="date" class="field" bind:value={until} required /></label>
    <button class="act" disabled={work.busy}>{work.busy ? 'Comparing …' : 'Compare'}</button>
  </form>
  <div class="mt-3"><Trouble error={work.error} /></div>
  {#if found}
    {#if found.cameras === 0}
      <p class="text-faint">Of no camera both spans are known.</p>
    {:else}
      <table class="mt-3 max-w-[720px] min-w-[320px] text-sm">
        <caption class="mb-1 text-left text-faint"
          >What one day comes to, of {count(found.cameras, 'camera')}{found.left > 0
            ? `; ${count(found.left, 'camera')} not counted, since one of the two is not known`
            : ''}</caption
        >
        <thead>
          <tr class="border-b border-line">
            <th class="head py-1 pr-6"></th>
            <th class="head py-1 pr-6 text-right">Before</th>
            <th class="head py-1 pr-6 text-right">After</th>
            <th class="head py-1 text-right">Change</th>
          </tr>
        </thead>
        <tbody>
          {#each rows as row (row.what)}
            <tr class="border-b border-line/60">
              <td class="py-1 pr-6 {row.part ? 'pl-4 text-faint' : 'font-semibold'}">
                {#if row.part}<span
                    class="mr-1.5 inline-block h-3 w-4 rounded-[2px] align-[-1px] {row.part}"
                    aria-hidden="true"
                  ></span>{/if}{row.what}
              </td>
              <td class="py-1 pr-6 text-right tabular-nums">{row.words(row.before)}</td>
              <td class="py-1 pr-6 text-right tabular-nums">{row.words(row.after)}</td>
              <td class="py-1 text-right tabular-nums">{changeWords(row.before, row.after)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      {#if found.most.length > 0}
        <h3 class="mt-4 mb-1 font-semibold">Where it changed the most</h3>
        <ul class="space-y-0.5 text-sm">
          {#each found.most as c (c.camera)}
            <li>
              <a href={cameraPath(c.camera)}>{c.label}</a>
              <span class="native text-faint">{c.camera}</span>
              <span class="tabular-nums">{hoursWords(c.before)} → {hoursWords(c.after)} a day</span>
            </li>
          {/each}
        </ul>
      {/if}
    {/if}
  {/if}
</section>
