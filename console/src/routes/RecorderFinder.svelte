<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, Refused, type Schemas } from '../lib/api/client';
  import Heads from '../lib/ui/Heads.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { WorkFollower } from '../lib/work.svelte';

  /** Looks for recorders at stated addresses, and adds those that are picked. */
  let { onadded }: { onadded: (name: string) => void } = $props();

  const client = useQueryClient();
  let range = $state('');
  let port = $state('3702');
  let maker = $state('');
  let busy = $state(false);
  let found = $state<Schemas['Found'][]>();
  let error = $state<Error | undefined>();
  let picked = $state<Schemas['Found']>();
  let name = $state('');
  let user = $state('');
  let password = $state('');
  let addError = $state<Error | undefined>();
  const reading = new WorkFollower();
  let silent = $state(false);
  const shown = $derived((found ?? []).filter((f) => f.service || silent));

  async function look(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    error = undefined;
    picked = undefined;
    try {
      found = await ask(
        api.POST('/api/v1/recorder-searches', {
          body: { range, port: Number(port), ...(maker.trim() ? { maker: maker.trim() } : {}) },
        }),
      );
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }

  function pick(f: Schemas['Found']) {
    picked = f;
    name = /^[a-z0-9-]+$/.test(f.name) ? f.name : '';
    addError = undefined;
  }

  /** What is to be compared with the recorder's own screen before it is spoken to. */
  const shownCertificate = $derived(addError instanceof Refused ? addError.fingerprint : undefined);

  async function add(event: SubmitEvent, fingerprint?: string) {
    event.preventDefault();
    busy = true;
    addError = undefined;
    try {
      const added = await ask(
        api.POST('/api/v1/recorders', {
          body: { name, address: picked?.service, user, password, fingerprint },
        }),
      );
      const work = await ask(api.POST('/api/v1/readings', { body: { recorders: [added.name] } }));
      found = found?.map((f) => (f.service === picked?.service ? { ...f, knownAs: added.name } : f));
      picked = undefined;
      password = '';
      reading.follow(work.id, () => void client.invalidateQueries());
      await client.invalidateQueries();
      onadded(added.name);
    } catch (e) {
      addError = e as Error;
    } finally {
      busy = false;
    }
  }
</script>

<form onsubmit={look} class="flex flex-wrap items-end gap-3">
  <label class="min-w-[220px] flex-1"
    ><span class="head mb-1 block">Addresses</span><input
      class="field w-full"
      bind:value={range}
      name="range"
      required
      placeholder="10.20.0.1-10.20.0.40 or 10.20.0.0/26"
    /></label
  >
  <label
    ><span class="head mb-1 block">Port</span><input
      class="field w-20"
      bind:value={port}
      name="port"
      required
    /></label
  >
  <label
    ><span class="head mb-1 block">Maker</span><input
      class="field w-28"
      bind:value={maker}
      name="maker"
      placeholder="any"
    /></label
  >
  <button class="act act-main" disabled={busy}>{busy && !picked ? 'Looking …' : 'Look there'}</button>
</form>
<div class="mt-3"><Trouble {error} /></div>
{#if found}
  <label class="mt-2 flex items-center gap-2 text-sm"
    ><input type="checkbox" bind:checked={silent} />show the addresses where nothing usable answers, and why</label
  >
  <div class="mt-2 overflow-x-auto">
    <table class="w-full text-sm">
      <Heads titles={['Address', 'Name', 'Maker and model', 'Family', 'State']} acts />
      <tbody>
        {#each shown as f (f.address + (f.service ?? ''))}
          <tr class="border-b border-line/60">
            <td class="native py-1.5 pr-3">{f.address}</td>
            <td class="py-1.5 pr-3">{f.name}</td>
            <td class="py-1.5 pr-3">{f.maker} {f.model}</td>
            <td class="py-1.5 pr-3">{f.service ? (f.family ?? 'its own') : ''}</td>
            <td class="py-1.5 pr-3 text-faint">{f.knownAs ? `here as ${f.knownAs}` : f.why || 'not added'}</td
            >
            <td class="py-1.5 text-right">
              {#if f.service && !f.knownAs}
                <button class="text-accent underline" onclick={() => pick(f)}
                  >add<span class="sr-only"> {f.name}</span></button
                >
              {/if}
            </td>
          </tr>
        {:else}
          <tr><td colspan="6" class="py-2 text-faint">No recorder answers there.</td></tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
{#if picked}
  <form
    onsubmit={(e) => add(e, shownCertificate)}
    class="mt-4 grid gap-3 border-t border-line pt-4 sm:grid-cols-3"
  >
    <p class="sm:col-span-3">Add the recorder at <span class="native">{picked.service}</span></p>
    <label
      ><span class="head mb-1 block">Name here</span><input
        class="field w-full"
        bind:value={name}
        {@attach (field) => field.focus()}
        name="name"
        required
      /></label
    >
    <label
      ><span class="head mb-1 block">User on the recorder</span><input
        class="field w-full"
        bind:value={user}
        name="user"
        required
        autocomplete="off"
      /></label
    >
    <label
      ><span class="head mb-1 block">Password</span><input
        class="field w-full"
        type="password"
        bind:value={password}
        name="password"
        required
        autocomplete="off"
      /></label
    >
    {#if shownCertificate}
      <div class="border-l-4 border-waiting pl-3 sm:col-span-3" role="alert">
        <p>
          Nobody has confirmed its certificate, and nothing was sent to it. Compare this with what the
          recorder’s own screen shows as the SHA-256 of its certificate:
        </p>
        <p class="native mt-1 break-all">{shownCertificate}</p>
      </div>
    {:else}
      <div class="sm:col-span-3"><Trouble error={addError} /></div>
    {/if}
    <div>
      <button class="act act-main" disabled={busy}
        >{busy
          ? 'Adding …'
          : shownCertificate
            ? 'It is the same: add and read it'
            : 'Add and read it'}</button
      >
    </div>
  </form>
{/if}
{#if reading.work && reading.running}
  <div class="mt-4"><Progress work={reading.work} unit="recorders read" /></div>
{/if}
