<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { WorkFollower } from '../lib/work.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import { p } from '../router';
  import RecorderFinder from './RecorderFinder.svelte';
  import RecorderPasswords from './RecorderPasswords.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const client = useQueryClient();
  const recorders = createQuery(() => ({
    queryKey: ['recorders'],
    queryFn: () => ask(api.GET('/api/v1/recorders')),
  }));
  const reading = new WorkFollower();
  let error = $state<Error | undefined>();
  let finding = $state(false);
  let changing = $state(false);

  async function readAll() {
    error = undefined;
    try {
      const work = await ask(api.POST('/api/v1/readings', { body: {} }));
      reading.follow(work.id, () => client.invalidateQueries());
    } catch (e) {
      error = e as Error;
    }
  }

  type Recorder = Schemas['RecorderView'];
  const COLUMNS: ListColumn<Recorder>[] = [
    { key: 'name', title: 'Recorder', value: (r) => r.name },
    {
      key: 'model',
      title: 'Make and model',
      value: (r) => [r.manufacturer, r.model].filter(Boolean).join(' '),
    },
    { key: 'firmware', title: 'Firmware', value: (r) => r.firmware },
    { key: 'zone', title: 'Zone', value: (r) => r.zone },
    { key: 'clockAheadSeconds', title: 'Clock', value: (r) => r.clockAheadSeconds },
    { key: 'readAt', title: 'Read', value: (r) => r.readAt },
    {
      key: 'trouble',
      title: 'State',
      value: (r) => (r.pausedUntil ? `paused until ${r.pausedUntil}` : r.trouble),
    },
    { key: 'family', title: 'Family', value: (r) => r.family, aside: true },
    { key: 'address', title: 'Address', value: (r) => r.address, aside: true },
    { key: 'serial', title: 'Serial number', value: (r) => r.serial, aside: true },
  ];

  function answer(all: Schemas['RecorderView'][] | undefined): string | undefined {
    if (!all) {
      return undefined;
    }
    if (all.length === 0) {
      return 'There is no recorder yet.';
    }
    const away = all.filter((r) => r.trouble).length;
    return `${count(all.length, 'recorder')}; ${away === 0 ? 'all answered when last asked' : `${away} did not answer`}.`;
  }

  /** A clock that was never read is not right, it is not known. */
  function clock(seconds: number | undefined): string {
    if (seconds === undefined) {
      return 'not known';
    }
    return Math.abs(seconds) > 30
      ? `${Math.floor(Math.abs(seconds) / 60)} min ${seconds < 0 ? 'slow' : 'fast'}`
      : 'right';
  }
</script>

<Page question="Do the recorders answer?" answer={answer(recorders.data)}>
  {#snippet act()}
    <Allowed to="ADMINISTRATOR" fleet
      ><button class="act" onclick={() => (finding = true)}>Find and add …</button>
      <button class="act" onclick={() => (changing = true)}>Change passwords …</button></Allowed
    >
    <Allowed to="TECHNICIAN"
      ><button class="act act-main" onclick={readAll} disabled={reading.running}>Read all now</button
      ></Allowed
    >
  {/snippet}
  {#if reading.work && reading.running}
    <div class="mb-6"><Progress work={reading.work} unit="recorders" /></div>
  {/if}
  <Trouble {error} />
  <Loaded query={recorders}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="No recorder is known yet."
          >Look for recorders at the addresses of a range, and add those that answer.</Empty
        >
      {:else}
        {#snippet name(r: Recorder)}
          <a href={p('/recorders/:name', { params: { name: r.name } })}>{r.name}</a>
        {/snippet}
        {#snippet firmware(r: Recorder)}
          <span class="native">{r.firmware}</span>
        {/snippet}
        {#snippet address(r: Recorder)}
          <span class="native">{r.address ?? ''}</span>
        {/snippet}
        {#snippet serial(r: Recorder)}
          <span class="native">{r.serial}</span>
        {/snippet}
        {#snippet clockAheadSeconds(r: Recorder)}
          {@const words = clock(r.clockAheadSeconds)}
          <span class={['right', 'not known'].includes(words) ? 'text-faint' : 'font-semibold text-loss'}
            >{words}</span
          >
        {/snippet}
        {#snippet readAt(r: Recorder)}
          <span class="whitespace-nowrap">{when(r.readAt)}</span>
        {/snippet}
        {#snippet trouble(r: Recorder)}
          {#if r.address === undefined}
            <a href={p('/recorders/:name/sheet', { params: { name: r.name } })}>work sheet</a>
          {:else}
            <span class={r.pausedUntil ? 'text-waiting' : r.trouble ? 'text-loss' : 'text-faint'}
              >{r.pausedUntil
                ? `paused until ${r.pausedUntil}`
                : r.trouble || (r.readAt ? 'answers' : 'not read yet')}</span
            >
          {/if}
        {/snippet}
        <List
          name="recorders"
          unit="recorder"
          rows={all}
          columns={COLUMNS}
          of={(r) => r.name}
          cells={{ name, firmware, address, serial, clockAheadSeconds, readAt, trouble }}
        />
      {/if}
    {/snippet}
  </Loaded>
</Page>

<Modal
  bind:open={finding}
  title="Find and add recorders"
  description="Each address of the range is asked once, and no other. One that is of no known make gets a family from what it says of itself."
>
  <RecorderFinder onadded={() => {}} />
</Modal>
<RecorderPasswords bind:open={changing} />
