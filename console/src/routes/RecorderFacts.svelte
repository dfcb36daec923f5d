<script lang="ts">
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { clockWords } from './recorder-holds';

  /** How a recorder is spoken to and how it is, with what can be done about it. */
  let { recorder, onchanged }: { recorder: Schemas['RecorderView']; onchanged: () => void } = $props();

  let asked = $state<'clock' | 'certificate' | undefined>();
  let fingerprint = $state('');
  const attempts = new Attempt();
  let told = $state('');

  const params = $derived({ path: { name: recorder.name } });
  const isWrong = $derived(Math.abs(recorder.clockAheadSeconds ?? 0) >= 2);

  const attempt = (act: () => Promise<unknown>) =>
    attempts.run(act, () => {
      asked = undefined;
      onchanged();
    });

  function setClock(event: SubmitEvent) {
    event.preventDefault();
    void attempt(async () => {
      const set = await ask(api.POST('/api/v1/recorders/{name}/clock', { params }));
      told =
        `The clock was ${clockWords(set.before)} and is ${clockWords(set.after)} now.` +
        (set.fromServer ? ' It asked a time server before, and keeps its time by itself now.' : '');
      await ask(api.POST('/api/v1/readings', { body: { recorders: [recorder.name] } }));
    });
  }

  function confirm(event: SubmitEvent) {
    event.preventDefault();
    void attempt(async () => {
      await ask(api.PUT('/api/v1/recorders/{name}/certificate', { params, body: { fingerprint } }));
      told = 'The certificate is confirmed; read the recorder to see whether it shows that one.';
    });
  }
</script>

<dl class="mb-4 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-sm">
  {#if recorder.address}
    <dt class="text-faint">Address</dt>
    <dd class="native break-all">{recorder.address}</dd>
  {/if}
  {#if recorder.address?.startsWith('https:')}
    <dt class="text-faint">Certificate</dt>
    <dd>
      {#if recorder.certificate}<span class="native break-all">SHA-256 {recorder.certificate}</span
        >{:else}vouched for by an authority of the fleet{/if}
      <Allowed to="ADMINISTRATOR"
        ><button class="ml-2 text-accent underline underline-offset-2" onclick={() => (asked = 'certificate')}
          >Confirm another …</button
        ></Allowed
      >
    </dd>
  {/if}
  {#if recorder.serial}
    <dt class="text-faint">Serial number</dt>
    <dd class="native">{recorder.serial}</dd>
  {/if}
  {#if recorder.address}
    <dt class="text-faint">Clock</dt>
    <dd>
      <span class={isWrong ? 'text-loss' : ''}>{clockWords(recorder.clockAheadSeconds)}</span>
      {#if isWrong}
        <Allowed to="EDITOR"
          ><button class="ml-2 text-accent underline underline-offset-2" onclick={() => (asked = 'clock')}
            >Set it …</button
          ></Allowed
        >
      {/if}
    </dd>
    <dt class="text-faint">Changes</dt>
    <dd>
      {recorder.tellsSince
        ? `The recorder tells of them; heard since ${when(recorder.tellsSince)}, and audited when it does.`
        : 'The recorder does not tell of them; audits find them.'}
    </dd>
  {/if}
</dl>
{#if told}<p class="mb-4 text-sm" role="status">{told}</p>{/if}

<Modal title="Set the clock of {recorder.name}" open={asked === 'clock'} onclose={() => (asked = undefined)}>
  <form onsubmit={setClock} class="grid gap-4">
    <p>
      It is {clockWords(recorder.clockAheadSeconds)}, and gets the time of the service; its zone stays. A
      recorder that asks a time server keeps its time by itself from then on, so where there is such a server,
      mend that rather.
    </p>
    <Trouble error={attempts.error} />
    <div><button class="act act-main" disabled={attempts.busy}>Set the clock</button></div>
  </form>
</Modal>
<Modal
  title="Confirm another certificate of {recorder.name}"
  open={asked === 'certificate'}
  onclose={() => (asked = undefined)}
>
  <form onsubmit={confirm} class="grid gap-4">
    <p>
      Compare the SHA-256 that the finding tells with the one on the recorder’s own screen. Passwords are sent
      to whoever shows the certificate that is confirmed here.
    </p>
    <label class="grid gap-1 text-sm"
      >Fingerprint
      <input class="field native" bind:value={fingerprint} required placeholder="AB:CD:… or without colons" />
    </label>
    <Trouble error={attempts.error} />
    <div><button class="act act-main" disabled={attempts.busy}>It is this recorder’s</button></div>
  </form>
</Modal>
