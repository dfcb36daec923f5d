<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import { bytes, count, dayIn, when } from '../../lib/format';
  import { route } from '../../router';
  import { rested } from '../../lib/rested.svelte';

  /** A report to take away; its figures are shown before. */
  let from = $state(dayIn(-29));
  let to = $state(dayIn(0));
  let select = $state(String(route.search.select ?? ''));
  let head = $state<HTMLElement>();

  // From a page that leads to it, below what else keeps watch.
  $effect(() => {
    if (route.hash === '#report') {
      head?.scrollIntoView();
    }
  });

  const query = $derived({ from, to, select });
  const typed = rested(() => query, 250);
  const report = createQuery(() => ({
    queryKey: ['report', typed.current],
    enabled: !!typed.current,
    retry: false,
    queryFn: ({ signal }) =>
      ask(api.GET('/api/v1/report', { params: { query: typed.current ?? {} }, signal })),
  }));

  const kept = createQuery(() => ({ queryKey: ['reports'], queryFn: () => ask(api.GET('/api/v1/reports')) }));

  const href = (format: string) =>
    `/api/v1/report/file?${new URLSearchParams({ ...query, format }).toString()}`;
  const percent = (n: number) => `${n.toFixed(1)} %`;
</script>

<section class="mb-10" aria-labelledby="report">
  <h2 id="report" bind:this={head} class="mb-2 text-lg font-semibold">A report to take away</h2>
  <div class="flex flex-wrap items-end gap-4">
    <label>
      <span class="head mb-1 block">First day</span>
      <input class="field w-44" type="date" bind:value={from} name="from" max={to} />
    </label>
    <label>
      <span class="head mb-1 block">Last day</span>
      <input class="field w-44" type="date" bind:value={to} name="to" min={from} max={dayIn(0)} />
    </label>
    <label>
      <span class="head mb-1 block">Cameras</span>
      <input
        class="field w-64"
        bind:value={select}
        name="select"
        placeholder="everything"
        spellcheck="false"
      />
    </label>
    <a class="act" href={href('pdf')} download>PDF</a>
    <a class="act" href={href('html')} download>Page</a>
    <a class="act" href={href('csv')} download>CSV</a>
  </div>
  {#if report.error}
    <p class="mt-3 text-loss">{report.error.message}</p>
  {:else if report.data}
    {@const r = report.data}
    <p class="mt-3 max-w-[75ch]">
      Of all camera-days {percent(r.inTunePercent)} in tune, {percent(r.outOfTunePercent)} not,
      {percent(r.notKnownPercent)} not known. {r.openAtBegin} findings open at the beginning, {r.opened} new,
      {r.ended} ended, {r.openAtEnd} open at the end{r.highAtEnd > 0 ? `, ${r.highAtEnd} of them high` : ''}.
    </p>
  {/if}
  {#if kept.data && kept.data.length > 0}
    <details class="mt-4">
      <summary class="cursor-pointer text-sm">{count(kept.data.length, 'report')} made by plans</summary>
      <ul class="mt-2 text-sm">
        {#each kept.data as r (r.name)}
          <li class="py-0.5">
            <a href="/api/v1/reports/{encodeURIComponent(r.name)}" download>{r.name}</a>
            <span class="text-faint">{when(r.at)}, {bytes(r.bytes)}</span>
          </li>
        {/each}
      </ul>
    </details>
  {/if}
</section>
