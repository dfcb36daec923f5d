<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../api/client';
  import { earlier, plansOf, plansValue, type Plan, type PlanAbove } from './special-days';
  import DayPlan from './week/DayPlan.svelte';

  /** What holds on the dates of calendars and on single dates, the first of two that clash counting. */
  let {
    value,
    inherited,
    onset,
    onclear,
  }: {
    value: unknown;
    inherited: PlanAbove[];
    onset: (value: unknown) => void;
    onclear: () => void;
  } = $props();

  const calendars = createQuery(() => ({
    queryKey: ['calendars'],
    queryFn: () => ask(api.GET('/api/v1/calendars')),
  }));
  const plans = $derived(plansOf(value));
  const elsewhere = $derived(inherited.filter((a) => !plans.some((p) => p.calendar === a.calendar)));
  let fresh = $state('');

  function put(next: readonly Plan[]) {
    const said = plansValue(next);
    if (said) {
      onset(said);
    } else {
      onclear();
    }
  }

  function add() {
    const calendar = fresh.trim();
    if (calendar && !plans.some((p) => p.calendar === calendar)) {
      const above = inherited.find((a) => a.calendar === calendar)?.text;
      put([...plans, { calendar, text: above ?? 'daily continuous' }]);
      fresh = '';
    }
  }

  const change = (index: number, text: string | undefined) =>
    put(plans.map((p, i) => (i === index ? { ...p, text } : p)));

  function dates(name: string): string {
    const known = calendars.data?.find((c) => c.name === name);
    return known ? known.dates.join(', ') : '';
  }
</script>

<div class="grid grid-cols-1 gap-6">
  {#each plans as plan, i (plan.calendar)}
    <section class="border-l-2 border-line pl-4" aria-label="Plan for {plan.calendar}">
      <div class="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm">
        <span class="font-semibold">{plan.calendar}</span>
        <span class="native min-w-0 flex-1 truncate text-faint" title={dates(plan.calendar)}
          >{dates(plan.calendar)}</span
        >
        {#if i > 0}
          <button type="button" class="text-accent underline" onclick={() => put(earlier(plans, i))}
            >count it earlier<span class="sr-only">: {plan.calendar}</span></button
          >
        {/if}
        {#if plan.text === undefined}
          <button type="button" class="text-accent underline" onclick={() => change(i, 'daily continuous')}
            >give it a plan<span class="sr-only">: {plan.calendar}</span></button
          >
        {:else}
          <button type="button" class="text-accent underline" onclick={() => change(i, undefined)}
            >ordinary days here<span class="sr-only">: {plan.calendar}</span></button
          >
        {/if}
        <button
          type="button"
          class="text-accent underline"
          onclick={() => put(plans.filter((p) => p.calendar !== plan.calendar))}
          >say nothing of it<span class="sr-only">: {plan.calendar}</span></button
        >
      </div>
      {#if plan.text === undefined}
        <p class="text-sm text-faint">
          What farther layers say of it is taken away: its dates are ordinary days here.
        </p>
      {:else}
        <DayPlan text={plan.text} label={plan.calendar} onset={(text) => change(i, text)} />
      {/if}
    </section>
  {/each}
  {#each elsewhere as above (above.calendar)}
    <p class="flex flex-wrap gap-x-4 text-sm text-faint">
      <span class="flex-1"
        ><span class="font-semibold">{above.calendar}</span>: {above.text?.replaceAll('\n', '; ')}, from {above.from}</span
      >
      <button
        type="button"
        class="text-accent underline"
        onclick={() => put([...plans, { calendar: above.calendar, text: above.text }])}
        >change here<span class="sr-only"> {above.calendar}</span></button
      >
      <button
        type="button"
        class="text-accent underline"
        onclick={() => put([...plans, { calendar: above.calendar, text: undefined }])}
        >ordinary days here<span class="sr-only">: {above.calendar}</span></button
      >
    </p>
  {/each}
  <div class="flex flex-wrap items-end gap-2 text-sm">
    <label
      ><span class="head mb-1 block">A plan for the calendar, or for one date</span>
      <input
        class="field w-72 max-w-full"
        list="calendar-names"
        name="special-day"
        placeholder="public-holidays, or 2027-06-28"
        spellcheck="false"
        bind:value={fresh}
        onkeydown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            add();
          }
        }}
      /></label
    >
    <datalist id="calendar-names">
      {#each calendars.data ?? [] as c (c.name)}<option value={c.name}>{c.title}</option>{/each}
    </datalist>
    <button type="button" class="act" onclick={add} disabled={!fresh.trim()}>Add a plan</button>
  </div>
</div>
