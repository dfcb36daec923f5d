<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const client = useQueryClient();
  const calendars = createQuery(() => ({
    queryKey: ['calendars'],
    queryFn: () => ask(api.GET('/api/v1/calendars')),
  }));
  const EXAMPLE = '2027-01-01\n2027-06-28..2027-07-02\n12-25 yearly';
  let open = $state(false);
  let known = $state<Schemas['CalendarView']>();
  let name = $state('');
  let title = $state('');
  let dates = $state('');
  let busy = $state(false);
  let error = $state<Error | undefined>();

  function edit(calendar?: Schemas['CalendarView']) {
    known = calendar;
    name = calendar?.name ?? '';
    title = calendar?.title ?? '';
    dates = calendar?.dates.join('\n') ?? '';
    error = undefined;
    open = true;
  }

  /** Entries go over quoted, so that what a person types is judged as a date and not as anything else. */
  const text = $derived(
    `calendar: ${JSON.stringify(name)}\n` +
      (title ? `title: ${JSON.stringify(title)}\n` : '') +
      `dates: ${JSON.stringify(
        dates
          .split('\n')
          .map((d) => d.trim())
          .filter(Boolean),
      )}\n`,
  );

  /** Events of iCalendar that could not be used. */
  let leftOut = $state<string[]>([]);

  async function put(body: { text: string } | { ical: string }) {
    busy = true;
    error = undefined;
    try {
      const written = await ask(
        api.PUT('/api/v1/calendars/{name}', {
          params: { path: { name }, ...(known ? { header: { 'If-Match': `"${known.version}"` } } : {}) },
          body,
        }),
      );
      leftOut = written.leftOut;
      open = false;
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }

  async function take(event: Event) {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (file && name) {
      await put({ ical: await file.text() });
    }
  }

  async function save(calendar: Schemas['CalendarView']) {
    const { ical } = await ask(
      api.GET('/api/v1/calendars/{name}/ical', { params: { path: { name: calendar.name } } }),
    );
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([ical], { type: 'text/calendar' }));
    link.download = `${calendar.name}.ics`;
    link.click();
    URL.revokeObjectURL(link.href);
  }

  async function remove() {
    error = undefined;
    try {
      await ask(
        api.DELETE('/api/v1/calendars/{name}', {
          params: { path: { name }, header: { 'If-Match': `"${known?.version ?? 0}"` } },
        }),
      );
      open = false;
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }
</script>

<Page
  question="Which days are special?"
  answer={calendars.data
    ? `${count(calendars.data.length, 'calendar')}; on their dates another plan holds, where special days speak of them.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="EDITOR" fleet
      ><button class="act act-main" onclick={() => edit()}>New calendar</button></Allowed
    >
  {/snippet}
  {#if leftOut.length > 0}
    <div class="mb-6 border-l-4 border-waste pl-4 text-sm" role="status">
      <p class="font-semibold">Taken in, without {count(leftOut.length, 'event')} that cannot be used:</p>
      <ul>
        {#each leftOut as why (why)}<li>{why}</li>{/each}
      </ul>
    </div>
  {/if}
  <Loaded query={calendars}>
    {#snippet children(all)}
      {#each all as c (c.name)}
        <section class="border-b border-line/60 py-4" aria-labelledby="calendar-{c.name}">
          <div class="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <h2 id="calendar-{c.name}" class="text-lg font-semibold">{c.name}</h2>
            <span class="flex-1 text-faint">{c.title}</span>
            <Allowed to="EDITOR" fleet
              ><button class="text-accent underline" onclick={() => edit(c)}
                >change<span class="sr-only"> {c.name}</span></button
              ></Allowed
            >
            <button class="text-accent underline" onclick={() => save(c)}
              >as iCalendar<span class="sr-only">, {c.name}</span></button
            >
          </div>
          <ul class="mt-2 flex flex-wrap gap-2">
            {#each c.dates as date (date)}
              <li class="native rounded border border-line px-2 py-0.5">{date}</li>
            {/each}
          </ul>
          <p class="mt-2 text-sm text-faint">
            {c.usedBy.length > 0 ? `Spoken of by ${c.usedBy.join(', ')}.` : 'Nothing speaks of it yet.'}
          </p>
        </section>
      {:else}
        <Empty title="No calendar yet."
          >Holidays and timetables are calendars; a template says what holds on them.</Empty
        >
      {/each}
    {/snippet}
  </Loaded>
</Page>

<Modal
  bind:open
  title={known ? `Change ${known.name}` : 'New calendar'}
  description="A date, a range of dates, or a day of every year, one a line."
>
  <form
    class="grid gap-4"
    onsubmit={(e) => {
      e.preventDefault();
      void put({ text });
    }}
  >
    {#if !known}
      <label
        ><span class="head mb-1 block">Name</span>
        <input
          class="field w-full"
          bind:value={name}
          name="name"
          required
          placeholder="public-holidays"
        /></label
      >
    {/if}
    <label
      ><span class="head mb-1 block">Title</span>
      <input class="field w-full" bind:value={title} name="title" maxlength="200" /></label
    >
    <label
      ><span class="head mb-1 block">Dates</span>
      <textarea
        class="field native h-40 w-full leading-5"
        bind:value={dates}
        name="dates"
        spellcheck="false"
        placeholder={EXAMPLE}></textarea></label
    >
    <label class="text-sm"
      ><span class="head mb-1 block">Or from an iCalendar file, in place of the dates above</span>
      <input type="file" accept=".ics,text/calendar" onchange={take} disabled={!name} /></label
    >
    <Trouble {error} />
    <div class="flex justify-between gap-2">
      <button class="act act-main" disabled={busy}>{busy ? 'Saving …' : 'Save the calendar'}</button>
      {#if known}<button type="button" class="act" onclick={remove}>Remove it</button>{/if}
    </div>
  </form>
</Modal>
