<script lang="ts">
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { dayIn } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** Leaves a recorder out of audits and rollouts for a while, and says so for as long as it is. */
  let { recorder, onchanged }: { recorder: Schemas['RecorderView']; onchanged: () => void } = $props();

  let asked = $state(false);
  let until = $state(dayIn(7));
  let because = $state('');
  const attempts = new Attempt();

  const params = $derived({ path: { name: recorder.name } });

  const attempt = (act: () => Promise<unknown>) =>
    attempts.run(act, () => {
      asked = false;
      onchanged();
    });

  function pause(event: SubmitEvent) {
    event.preventDefault();
    void attempt(() => ask(api.PUT('/api/v1/recorders/{name}/pause', { params, body: { until, because } })));
  }

  const resume = () => attempt(() => ask(api.DELETE('/api/v1/recorders/{name}/pause', { params })));
</script>

{#if recorder.pausedUntil}
  <p class="mb-6 flex flex-wrap items-baseline gap-4 border-l-2 border-waiting pl-4">
    <span
      >Paused until {recorder.pausedUntil}, so it is neither audited nor written: {recorder.pausedBecause}.</span
    >
    <Allowed to="EDITOR"
      ><button class="act" disabled={attempts.busy} onclick={resume}>End the pause</button></Allowed
    >
  </p>
{:else}
  <Allowed to="EDITOR"><button class="act mb-6" onclick={() => (asked = true)}>Pause it …</button></Allowed>
{/if}
{#if !asked}<Trouble error={attempts.error} />{/if}

<Modal
  bind:open={asked}
  title="Pause {recorder.name}"
  description="While somebody works there it is neither audited nor written. It comes back by itself after its last day."
>
  <form class="flex flex-col gap-4" onsubmit={pause}>
    <label>
      <span class="head mb-1 block">What is done there</span>
      <input
        class="field w-full"
        bind:value={because}
        name="because"
        required
        maxlength="500"
        autocomplete="off"
      />
    </label>
    <label>
      <span class="head mb-1 block">Last day</span>
      <input class="field w-44" type="date" bind:value={until} name="until" required min={dayIn(0)} />
    </label>
    <Trouble error={attempts.error} />
    <div class="flex gap-2">
      <button class="act act-main" disabled={attempts.busy}>Pause it</button>
      <button class="act" type="button" onclick={() => (asked = false)}>Cancel</button>
    </div>
  </form>
</Modal>
