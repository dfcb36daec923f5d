<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { clock, factor, length, percent, times } from './levels';

  /** What the tried setting comes to, beside what the policy asks and what the recorder holds. */
  let {
    report,
    trial,
    zone,
  }: { report: Schemas['TrialReport']; trial: Schemas['TrialOfClip'] | undefined; zone: string } = $props();

  const all = $derived(trial?.reports ?? [report]);
  const TITLES: Record<string, string> = {
    tried: 'tried here',
    policy: 'policy',
    recorder: 'recorder',
    closer: 'looked at closer',
  };

  /** What a setting says; by area where they have values of their own. */
  const values = (s: Schemas['TriedSetting']) =>
    s.areas
      ? s.areas.map((a) => `${a.name} ${a.sensitivity} · ${percent(a.threshold)}`).join(', ')
      : `${s.sensitivity} · ${percent(s.threshold)}`;
</script>

<table class="mt-4 w-full text-sm">
  <thead>
    <tr class="border-b border-line">
      <th class="head py-1">Setting</th>
      <th class="head py-1 text-right">Caught</th>
      <th class="head py-1 text-right">False starts</th>
      <th class="head py-1 pl-3 text-right">Recorded</th>
      <th class="head py-1 pl-3 text-right">Margin</th>
    </tr>
  </thead>
  <tbody>
    {#each all as r (r.setting.name)}
      <tr class="border-b border-line {r.setting.name === 'tried' ? 'font-semibold' : 'text-faint'}">
        <td class="py-1">
          {TITLES[r.setting.name] ?? r.setting.name}
          <span class="native">{values(r.setting)}</span>
          {#if r.setting.effort !== undefined}
            <br /><span class="text-xs text-faint">{r.setting.effort} times the work</span>
          {/if}
        </td>
        <td class="py-1 text-right tabular-nums {r.missed > 0 ? 'text-loss' : ''}"
          >{r.wanted.length === 0 ? '–' : `${r.wanted.length - r.missed} of ${r.wanted.length}`}</td
        >
        <td class="py-1 text-right tabular-nums {r.falseStarts > 0 ? 'text-waste' : ''}"
          >{r.unwanted.length === 0 ? '–' : r.falseStarts}</td
        >
        <td class="py-1 pl-3 text-right whitespace-nowrap tabular-nums">{length(r.recordedSeconds)}</td>
        <td class="py-1 pl-3 text-right tabular-nums">{factor(r.margin)}</td>
      </tr>
    {/each}
  </tbody>
</table>
{#if report.wanted.length > 0}
  <ul class="mt-3 space-y-0.5 text-sm">
    {#each report.wanted as m (m.from + m.word)}
      <li class="flex justify-between gap-3">
        <span class={m.over ? '' : 'font-semibold text-loss'}
          >{m.over ? '' : 'missed: '}{m.word || clock(Date.parse(m.from), zone)}</span
        >
        <span class="text-faint tabular-nums"
          >{m.area === undefined ? '' : `in ${m.area} `}lost above {percent(m.level)}</span
        >
      </li>
    {/each}
  </ul>
{/if}
{#each trial?.remarks ?? [] as remark (remark)}
  <p class="mt-2 text-xs text-faint">Mind: {remark}.</p>
{/each}
{#if trial?.factor !== undefined}
  <p class="mt-2 text-xs text-faint">
    Levels are taken {trial.factor} times, as recorders of this kind were found to see them.
  </p>
{/if}
{#if trial?.agreement?.share !== undefined}
  <p class="mt-3 text-xs text-faint">
    The recorder itself saw motion {times(trial.agreement.recorderEvents)} here, the model {times(
      trial.agreement.modelEvents,
    )} at what it holds; they agree in {percent(trial.agreement.share)}.
    {#if trial.agreement.judge === 'recorder'}
      <span class="font-semibold text-ink"
        >This recorder sees things differently; its own events are the better judge.</span
      >
    {/if}
  </p>
{/if}
