<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { renderSVG } from 'uqr';
  import { Attempt } from '../../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { when } from '../../lib/format';
  import Loaded from '../../lib/ui/Loaded.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** A code of an authenticator beside one's own password. */
  const KEY = ['second-factor'];
  const client = useQueryClient();
  const factor = createQuery(() => ({
    queryKey: KEY,
    queryFn: () => ask(api.GET('/api/v1/session/second-factor')),
  }));
  const attempts = new Attempt();
  const again = () => void client.invalidateQueries({ queryKey: KEY });

  let open = $state(false);
  let password = $state('');
  let code = $state('');
  let begun = $state<Schemas['Begun'] | undefined>();
  let recovery = $state<string[] | undefined>();
  const ending = $derived(factor.data?.since !== undefined && recovery === undefined);
  const picture = $derived(
    begun ? `data:image/svg+xml,${encodeURIComponent(renderSVG(begun.uri, { border: 2 }))}` : '',
  );

  function start() {
    password = '';
    code = '';
    begun = undefined;
    recovery = undefined;
    open = true;
  }

  function send(event: SubmitEvent) {
    event.preventDefault();
    if (ending) {
      void attempts.run(
        () => ask(api.POST('/api/v1/session/second-factor/end', { body: { password, code } })),
        () => {
          open = false;
          again();
        },
      );
    } else if (begun) {
      void attempts.run(async () => {
        const body = { code };
        recovery = (await ask(api.POST('/api/v1/session/second-factor/confirmation', { body }))).codes;
      }, again);
    } else {
      void attempts.run(async () => {
        begun = await ask(api.POST('/api/v1/session/second-factor', { body: { password } }));
        password = '';
      });
    }
  }
</script>

<Loaded query={factor}>
  {#snippet children(s)}
    <p class="mb-3 text-sm">
      {s.since
        ? `A code is asked for since ${when(s.since)}; ${s.recoveryCodes} codes for recovery are left.`
        : 'Your password is enough to sign in here.'}
    </p>
    <button class="act" onclick={start}>{s.since ? 'End it …' : 'Begin with one …'}</button>
  {/snippet}
</Loaded>

<Modal
  bind:open
  title={ending ? 'Sign in by password alone' : 'A second factor'}
  description={recovery
    ? 'Each of these is good once instead of a code, for the day on which the authenticator is lost. They are shown this once; keep them apart from it.'
    : begun
      ? 'Let the authenticator on your telephone look at the picture, or type the secret, and then a first code of it here.'
      : 'Say your password again.'}
>
  {#if recovery}
    <ul class="native mb-4 grid grid-cols-2 gap-x-6 gap-y-1">
      {#each recovery as one (one)}<li>{one}</li>{/each}
    </ul>
    <button class="act act-main" onclick={() => (open = false)}>I have kept them</button>
  {:else}
    <form class="flex flex-col gap-4" onsubmit={send}>
      {#if begun}
        <img src={picture} alt="The address for the authenticator" class="size-44 self-center bg-white" />
        <p class="native text-center break-all">{begun.secret}</p>
      {:else}
        <label>
          <span class="head mb-1 block">Password</span>
          <input
            class="field w-full"
            type="password"
            bind:value={password}
            autocomplete="current-password"
            required
          />
        </label>
      {/if}
      {#if begun || ending}
        <label>
          <span class="head mb-1 block">Code</span>
          <input class="field native w-full" bind:value={code} autocomplete="one-time-code" required />
        </label>
      {/if}
      <Trouble error={attempts.error} />
      <div class="flex gap-2">
        <button class="act act-main" disabled={attempts.busy}
          >{ending ? 'End it' : begun ? 'Use it from now on' : 'Go on'}</button
        >
        <button class="act" type="button" onclick={() => (open = false)}>Cancel</button>
      </div>
    </form>
  {/if}
</Modal>
