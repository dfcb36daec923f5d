<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
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

  function answer(all: Schemas['RecorderView'][] | undefined): string | undefined {
    if (!all) {
      return undefined;
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
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[760px] text-sm">
            <Heads titles={['Recorder', 'Make and model', 'Firmware', 'Zone', 'Clock', 'Read', 'State']} />
            <tbody>
              {#each all as r (r.name)}
                <tr class="border-b border-line/60 hover:bg-raised">
                  <td class="py-2 pr-4"
                    ><a href={p('/recorders/:name', { params: { name: r.name } })}>{r.name}</a></td
                  >
                  <td class="py-2 pr-4">{r.manufacturer} {r.model}</td>
                  <td class="native py-2 pr-4">{r.firmware}</td>
                  <td class="py-2 pr-4">{r.zone}</td>
                  <td
                    class="py-2 pr-4 {['right', 'not known'].includes(clock(r.clockAheadSeconds))
                      ? 'text-faint'
                      : 'font-semibold text-loss'}">{clock(r.clockAheadSeconds)}</td
                  >
                  <td class="py-2 pr-4 whitespace-nowrap">{when(r.readAt)}</td>
                  <td
                    class="py-2 pr-4 {r.pausedUntil
                      ? 'text-waiting'
                      : r.trouble
                        ? 'text-loss'
                        : 'text-faint'}"
                  >
                    {#if r.address === undefined}
                      <a href={p('/recorders/:name/sheet', { params: { name: r.name } })}>work sheet</a>
                    {:else}
                      {r.pausedUntil
                        ? `paused until ${r.pausedUntil}`
                        : r.trouble || (r.readAt ? 'answers' : 'not read yet')}
                    {/if}
                  </td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
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
