<script lang="ts">
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask } from '../lib/api/client';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { hasEnded, type Work } from '../lib/work.svelte';
  import { navigate } from '../router';
  import { person } from '../lib/session.svelte';
  import RolloutTerms from './RolloutTerms.svelte';
  import { rolloutTerms, termsBody } from './rollout-terms';

  let { work, written, onchanged }: { work: Work; written: number; onchanged: () => void } = $props();

  const params = $derived({ path: { id: work.id } });
  let asked = $state<'undo' | 'stop' | undefined>();
  let terms = $state(rolloutTerms());
  const attempts = new Attempt();

  const attempt = (act: () => Promise<unknown>) =>
    attempts.run(act, () => {
      asked = undefined;
      onchanged();
    });

  const pause = () => attempt(() => ask(api.POST('/api/v1/rollouts/{id}/pause', { params: params })));
  const resume = () => attempt(() => ask(api.POST('/api/v1/rollouts/{id}/resume', { params: params })));
  const approve = () => attempt(() => ask(api.POST('/api/v1/rollouts/{id}/approve', { params: params })));
  const stop = () => attempt(() => ask(api.POST('/api/v1/works/{id}/stop', { params: params })));
  const undo = () =>
    attempt(async () => {
      const started = await ask(
        api.POST('/api/v1/rollouts/{id}/undo', { params: params, body: termsBody(terms) }),
      );
      navigate('/rollouts/:id', { params: { id: String(started.id) } });
    });
</script>

<Allowed to="EDITOR">
  <div class="flex flex-wrap gap-2">
    {#if hasEnded(work)}
      {#if written > 0}
        <button class="act" onclick={() => (asked = 'undo')}>Undo this rollout</button>
      {/if}
    {:else}
      {#if work.state === 'asked'}
        {#if work.who !== person.session?.user}
          <button class="act act-main" disabled={attempts.busy} onclick={approve}>Let it go</button>
        {/if}
      {:else if work.state === 'paused'}
        <button class="act act-main" disabled={attempts.busy} onclick={resume}>Go on</button>
      {:else}
        <button class="act" disabled={attempts.busy} onclick={pause}>Pause</button>
      {/if}
      <button class="act" onclick={() => (asked = 'stop')}
        >{work.state !== 'asked'
          ? 'Stop'
          : work.who === person.session?.user
            ? 'Take it back'
            : 'Refuse'}</button
      >
    {/if}
  </div>
  {#if asked === undefined}<Trouble error={attempts.error} />{/if}
</Allowed>

<Modal
  open={asked === 'stop'}
  onclose={() => (asked = undefined)}
  title="Stop rollout {work.id}?"
  description="What is being written is settled first. What was not begun is left as it is; what was written stays."
>
  <Trouble error={attempts.error} />
  <div class="mt-4 flex gap-2">
    <button class="act act-main" disabled={attempts.busy} onclick={stop}>Stop it</button>
    <button class="act" onclick={() => (asked = undefined)}>Let it go on</button>
  </div>
</Modal>

<Modal
  open={asked === 'undo'}
  onclose={() => (asked = undefined)}
  title="Undo rollout {work.id}?"
  description="Writes back what the cameras held before. The policy stays as it is, so they will show as waiting."
>
  <form
    class="flex flex-wrap items-end gap-4"
    onsubmit={(e) => {
      e.preventDefault();
      void undo();
    }}
  >
    <RolloutTerms bind:terms />
    <button class="act act-main" disabled={attempts.busy}>Write it back</button>
    <button class="act" type="button" onclick={() => (asked = undefined)}>Leave it</button>
  </form>
  <Trouble error={attempts.error} />
</Modal>
