<script lang="ts">
  import { named } from '../../lib/camera';
  import { p } from '../../router';
  import { clock, instantAt } from '../tune/levels';
  import { dayWords } from './days';

  /** What was seen at a moment that is pointed at, or said. */
  let {
    path,
    zone,
    date,
    at,
    onat,
  }: {
    path: { recorder: string; channel: string };
    zone: string;
    date: string;
    at: number | undefined;
    onat: (instant: number) => void;
  } = $props();

  const camera = $derived(named(path));
  const dayOf = (instant: number) => new Intl.DateTimeFormat('en-CA', { timeZone: zone }).format(instant);
  let said = $state<{ day?: string; time?: string }>({});
  const day = $derived(said.day ?? (at === undefined ? date : dayOf(at)));
  const time = $derived(said.time ?? (at === undefined ? '' : clock(at, zone)));
  const address = $derived(
    at === undefined
      ? ''
      : `/api/v1/recorded-still?${new URLSearchParams({ camera, at: new Date(Math.floor(at / 1000) * 1000).toISOString() }).toString()}`,
  );
  let missing = $state('');
  let here = $state('');

  function look(e: SubmitEvent) {
    e.preventDefault();
    onat(instantAt(day, time, zone).getTime());
    said = {};
  }
</script>

<form class="mt-3 flex flex-wrap items-end gap-3 text-sm" onsubmit={look}>
  <label
    >Picture of<br /><input
      type="date"
      class="field"
      value={day}
      oninput={(e) => (said.day = e.currentTarget.value)}
      required
    /></label
  >
  <label
    ><span class="sr-only">Time</span><input
      type="time"
      step="1"
      class="field"
      value={time}
      oninput={(e) => (said.time = e.currentTarget.value)}
      required
    /></label
  >
  <button class="act">Show</button>
  <a
    class="act no-underline"
    href="{p('/cameras/:recorder/:channel/search', { params: { ...path } })}?day={day}">Search that day</a
  >
  <a class="act no-underline" href={p('/cameras/:recorder/:channel/tune', { params: { ...path } })}
    >Look at its footage</a
  >
</form>
{#if address !== ''}
  <div class="mt-3 max-w-[480px]">
    {#if missing === address}
      <p class="text-sm text-faint">
        No picture came of {dayWords(dayOf(at!))}
        {clock(at!, zone)}; nothing was recorded then, or its recorder did not give it.
      </p>
    {:else}
      {#if here !== address}<p class="text-sm text-faint" role="status">Asking the recorder …</p>{/if}
      {#key address}
        <img
          src={address}
          alt="{camera} at {clock(at!, zone)}"
          class="w-full border border-line bg-sunken {here === address ? '' : 'sr-only'}"
          onload={() => (here = address)}
          onerror={() => (missing = address)}
        />
      {/key}
      {#if here === address}
        <p class="mt-1 text-sm text-faint">{dayWords(dayOf(at!))} {clock(at!, zone)}</p>
      {/if}
    {/if}
  </div>
{/if}
