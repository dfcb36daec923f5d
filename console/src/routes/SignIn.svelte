<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, Refused, type Schemas } from '../lib/api/client';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { invitation, refusal } from './people/invitation';

  let { trouble, onsignedin }: { trouble: string; onsignedin: (session: Schemas['Session']) => void } =
    $props();

  const invited = invitation(location.hash);
  const refused = refusal(location.hash);
  if (invited || refused) {
    // It is of use once; nobody who looks at the address later needs it.
    history.replaceState(null, '', location.pathname);
  }
  const ways = createQuery(() => ({
    queryKey: ['ways'],
    queryFn: () => ask(api.GET('/api/v1/session/ways')),
    enabled: !invited,
  }));
  let user = $state(invited?.name ?? '');
  let password = $state(invited?.oneTimePassword ?? '');
  let fresh = $state('');
  let code = $state('');
  let needsCode = $state(false);
  let mustChoose = $state(invited !== undefined);
  let busy = $state(false);
  let error = $state<Error | undefined>();

  const second = () => (code.trim() ? { code: code.trim() } : {});

  async function signIn(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    error = undefined;
    try {
      if (mustChoose) {
        await ask(
          api.POST('/api/v1/session/password', { body: { user, old: password, fresh, ...second() } }),
        );
        password = fresh;
        mustChoose = false;
      }
      // The first answer brings the cookie that later writes are checked by.
      await api.GET('/api/v1/session').catch(() => undefined);
      const session = await ask(api.POST('/api/v1/session', { body: { user, password, ...second() } }));
      mustChoose = session.mustChoosePassword;
      if (!mustChoose) {
        onsignedin(session);
      }
    } catch (e) {
      if (e instanceof Refused && e.code === 'code_needed') {
        needsCode = true;
      } else {
        error = e as Refused;
        code = '';
      }
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>Sign in · Choir</title></svelte:head>
<main class="grid min-h-dvh place-items-center px-4">
  <form onsubmit={signIn} class="w-full max-w-[360px]">
    <svg viewBox="0 0 360 40" class="mb-8 w-full" aria-hidden="true">
      <path d="M0 20h360M180 6v28" stroke="var(--line)" stroke-width="1.5" />
      <circle cx="180" cy="20" r="7" fill="var(--accent)" />
    </svg>
    <h1 class="text-2xl font-semibold">Choir</h1>
    <p class="mt-1 mb-6 text-faint">
      {invited
        ? `Welcome, ${invited.name}. Choose a password of your own.`
        : 'Is every camera set as it should be?'}
    </p>
    <label class="mb-3 block">
      <span class="head mb-1 block">Name</span>
      <input class="field w-full" bind:value={user} autocomplete="username" required />
    </label>
    <label class="mb-3 block">
      <span class="head mb-1 block">{mustChoose ? 'One-time password' : 'Password'}</span>
      <input
        class="field w-full"
        type="password"
        bind:value={password}
        autocomplete="current-password"
        required
      />
    </label>
    {#if needsCode}
      <label class="mb-3 block">
        <span class="head mb-1 block">Code of your authenticator, or one for recovery</span>
        <!-- svelte-ignore a11y_autofocus -->
        <input
          class="field native w-full"
          bind:value={code}
          autocomplete="one-time-code"
          autofocus
          required
        />
      </label>
    {/if}
    {#if mustChoose}
      <label class="mb-3 block">
        <span class="head mb-1 block">Your own password, 10 characters or more</span>
        <input
          class="field w-full"
          type="password"
          bind:value={fresh}
          minlength="10"
          autocomplete="new-password"
          required
        />
      </label>
    {/if}
    <Trouble error={error ?? (refused || trouble ? new Error(refused ?? trouble) : undefined)} />
    <button class="act act-main mt-4 w-full" disabled={busy}>{busy ? 'Signing in …' : 'Sign in'}</button>
    {#if ways.data?.organisation}
      <p class="my-4 text-center text-sm text-faint">or</p>
      <button class="act w-full" type="button" onclick={() => location.assign('/api/v1/session/organisation')}
        >Sign in with {ways.data.organisation}</button
      >
    {/if}
  </form>
</main>
