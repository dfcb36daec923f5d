<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import type { Schemas } from '../lib/api/client';
  import { bytes, count, duration } from '../lib/format';
  import CameraNames from '../lib/ui/CameraNames.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import FoldSwitch from '../lib/ui/FoldSwitch.svelte';
  import WeekLegend from '../lib/ui/WeekLegend.svelte';
  import WeekRibbon from '../lib/ui/WeekRibbon.svelte';
  import PreviewCameras from './PreviewCameras.svelte';
  import { days, VERDICTS } from './disks/room';
  import { pauseWords } from './pauses';

  let { preview }: { preview: Schemas['Preview'] } = $props();

  let byCamera = $state(false);
  const price = $derived(preview.price);
  /** Thousands of minutes say nothing to anybody. */
  const isTime = (effect: { measure: string }) => effect.measure === 'minutes a week';
  const amount = (effect: { measure: string }, n: number) =>
    isTime(effect) ? duration(Math.round(n)) : whole(n);
  const title = (effect: { measure: string }) =>
    isTime(effect) ? 'Time a week' : effect.measure.charAt(0).toUpperCase() + effect.measure.slice(1);
  const whole = (n: number) => Math.round(n).toLocaleString('en-GB');

  /** What cannot be honoured is said once for a family and setting. */
  const cannot = $derived([
    ...new Map(preview.cameras.flatMap((c) => c.cannot.map((x) => [c.family + x.key, x] as const))).values(),
  ]);
</script>

{#if preview.cameras.length === 0}
  <Empty title="Nothing would change.">Every camera that could be read holds what is asked.</Empty>
{:else}
  <section aria-label="What it comes to" class="mb-6 rounded-md border border-line bg-raised p-4">
    <p class="font-semibold">
      {count(price.settings, 'value')} on {count(price.cameras, 'camera')} of {count(
        price.recorders,
        'recorder',
      )}
    </p>
    <dl class="mt-2 grid gap-x-8 gap-y-2 text-sm sm:grid-cols-2 lg:grid-cols-4">
      {#each price.effects as effect (effect.measure)}
        <div>
          <dt class="head">{title(effect)}</dt>
          <dd>
            {amount(effect, effect.more)} more, {amount(effect, effect.less)} less
            <span class="text-faint">on {count(effect.cameras, 'camera')}</span>
          </dd>
        </div>
      {/each}
      <div>
        <dt class="head">Recorded a week</dt>
        <dd>{whole(price.before.hoursAWeek)} → <b>{whole(price.after.hoursAWeek)} h</b></dd>
      </div>
      <div>
        <dt class="head">Disk a day</dt>
        <dd>{bytes(price.before.bytesADay)} → <b>{bytes(price.after.bytesADay)}</b></dd>
      </div>
    </dl>
    <p class="mt-2 text-xs text-faint">Hours and disk are {price.assumed}.</p>
    {#each price.stores as store (store.recorder + (store.store ?? ''))}
      <p class="mt-2 text-sm {store.verdict === 'TOO_SHORT' ? 'text-loss' : ''}">
        <span class="native">{store.recorder}{store.store ? ` ${store.store}` : ''}</span> keeps
        {days(store.before)} → <b>{days(store.after)}</b>
        <span class="text-faint">{store.wanted === undefined ? 'none wanted' : `${store.wanted} wanted`}</span
        >
        {store.verdict === 'ENOUGH' ? '' : VERDICTS[store.verdict]?.word}
      </p>
    {/each}
    {#each preview.pauses as pause (pause.recorders[0])}
      <p class="mt-2 text-sm text-loss">{pauseWords(pause)}</p>
    {/each}
  </section>

  <FoldSwitch bind:byCamera once="Equal changes once" label="How the changes are listed" />
  {#if byCamera}
    <PreviewCameras {preview} />
  {:else}
    <div class="relative overflow-x-auto">
      <table class="w-full min-w-[760px] text-sm">
        <Heads titles={['On', 'Setting', 'Holds', 'Will hold', 'From', 'Why']} />
        <tbody>
          {#each preview.folds as fold, i (i)}
            <tr class="border-b border-line/60 align-top">
              <td class="py-2 pr-4">
                <CameraNames cameras={fold.cameras} />
                <span class="text-xs text-faint">{fold.family}</span>
              </td>
              <td class="py-2 pr-4">{fold.title}</td>
              {#if fold.week}
                <td class="py-2 pr-4" colspan="2">
                  <WeekRibbon week={fold.week} folded />
                </td>
              {:else}
                <td class="native max-w-[220px] py-2 pr-4">{fold.before ?? '–'}</td>
                <td class="native max-w-[220px] py-2 pr-4 font-semibold">
                  {fold.after}
                  {#if fold.approximated}
                    <div class="font-sans text-xs font-normal text-faint">{fold.approximated}</div>
                  {/if}
                </td>
              {/if}
              <td class="py-2 pr-4 text-faint">{fold.origin}</td>
              <td class="py-2 pr-4">{fold.cause}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if preview.folds.some((f) => f.week)}
      <p class="mt-2 text-xs text-faint">Weeks: <WeekLegend /></p>
    {/if}
  {/if}
{/if}
{#each cannot as c (c.why)}
  <p class="mt-2 text-sm text-cannot">Not written: {c.why} (asked {c.asked}).</p>
{/each}
{#each preview.leftAlone as words (words)}
  <p class="mt-2 text-sm text-waiting">Left out: {words}</p>
{/each}
{#each preview.unread as u (u.camera)}
  <p class="mt-2 text-sm text-faint">Left out: <span class="native">{u.camera}</span>, {u.why}</p>
{/each}
