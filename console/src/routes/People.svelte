<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import { person, roles } from '../lib/session.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import Tokens from './Tokens.svelte';
  import { invitationLink } from './people/invitation';

  const client = useQueryClient();
  const people = createQuery(() => ({
    queryKey: ['people'],
    queryFn: () => ask(api.GET('/api/v1/people')),
  }));
  const attempts = new Attempt();
  const again = () => void client.invalidateQueries({ queryKey: ['people'] });

  let adding = $state(false);
  let name = $state('');
  let role = $state('viewer');
  let invited = $state<Schemas['Invitation'] | undefined>();
  let leaving = $state<Schemas['PersonView'] | undefined>();
  let tokensOf = $state<string | undefined>();

  function add(event: SubmitEvent) {
    event.preventDefault();
    void attempts.run(
      async () => {
        invited = await ask(api.POST('/api/v1/people', { body: { name, role } }));
      },
      () => {
        adding = false;
        name = '';
        again();
      },
    );
  }

  const path = (of: string) => ({ params: { path: { name: of } } });

  const setRole = (of: string, to: string) =>
    attempts.run(() => ask(api.PUT('/api/v1/people/{name}', { ...path(of), body: { role: to } })), again);

  const invite = (of: string) =>
    attempts.run(async () => {
      invited = await ask(api.POST('/api/v1/people/{name}/one-time-password', path(of)));
    }, again);

  const signOut = (of: string) =>
    attempts.run(() => ask(api.DELETE('/api/v1/people/{name}/sessions', path(of))), again);

  const remove = (of: string) =>
    attempts.run(
      () => ask(api.DELETE('/api/v1/people/{name}', path(of))),
      () => {
        leaving = undefined;
        again();
      },
    );

  function password(p: Schemas['PersonView']): string {
    return p.ofTheOrganisation
      ? "the organisation's account"
      : p.oneTimeUntil
        ? `invited until ${when(p.oneTimeUntil)}`
        : p.oneTime
          ? 'one-time, not replaced yet'
          : 'own';
  }

  const link = $derived(invited ? invitationLink(location.origin, invited) : '');
</script>

<Page
  question="Who may do what here?"
  answer={people.data
    ? `${count(people.data.length, 'person', 'people')}; ${count(people.data.filter((p) => p.role === 'administrator').length, 'administrator')}.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="ADMINISTRATOR"
      ><button class="act act-main" onclick={() => (adding = true)}>Let somebody in …</button></Allowed
    >
  {/snippet}
  {#if !adding && !leaving}<Trouble error={attempts.error} />{/if}
  <Loaded query={people}>
    {#snippet children(all)}
      <div class="relative overflow-x-auto">
        <table class="w-full min-w-[680px] text-sm">
          <Heads titles={['Name', 'Role', 'Password', 'Since', 'Tokens', '']} />
          <tbody>
            {#each all as p (p.name)}
              <tr class="border-b border-line/60">
                <td class="py-2 pr-4 font-semibold"
                  >{p.name}{p.name === person.session?.user ? ' (you)' : ''}</td
                >
                <td class="py-2 pr-4">
                  {#if person.may('ADMINISTRATOR') && p.name !== person.session?.user && !p.ofTheOrganisation}
                    <select
                      class="field"
                      aria-label="Role of {p.name}"
                      value={p.role}
                      disabled={attempts.busy}
                      onchange={(e) => setRole(p.name, e.currentTarget.value)}
                    >
                      {#each roles as r (r)}<option value={r}>{r}</option>{/each}
                    </select>
                  {:else}{p.role}{/if}
                </td>
                <td class="py-2 pr-4 {p.oneTime ? 'text-waiting' : 'text-faint'}">{password(p)}</td>
                <td class="py-2 pr-4 whitespace-nowrap">{when(p.createdAt)}</td>
                <td class="py-2 pr-4">
                  {#if p.tokens > 0 && person.may('ADMINISTRATOR')}
                    <button class="underline" onclick={() => (tokensOf = p.name)}>{p.tokens}</button>
                  {:else}<span class="text-faint">{p.tokens}</span>{/if}
                </td>
                <td class="py-2 text-right whitespace-nowrap">
                  {#if person.may('ADMINISTRATOR') && p.name !== person.session?.user}
                    {#if !p.ofTheOrganisation}<button
                        class="act"
                        disabled={attempts.busy}
                        onclick={() => invite(p.name)}>Invite again</button
                      >{/if}
                    <button class="act" disabled={attempts.busy} onclick={() => signOut(p.name)}
                      >Sign out</button
                    >
                    <button class="act" disabled={attempts.busy} onclick={() => (leaving = p)}
                      >Remove …</button
                    >
                  {/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
    {/snippet}
  </Loaded>
  <h2 class="mt-10 mb-1 text-lg font-semibold">Your tokens</h2>
  <p class="mb-3 max-w-[80ch] text-sm text-faint">
    A token lets a program in as you, without your password. One that only looks needs no more than a viewer
    may.
  </p>
  <Tokens />
</Page>

<Modal
  bind:open={adding}
  title="Let somebody in"
  description="They get a link that is good for seven days and for one use, and choose a password of their own."
>
  <form class="flex flex-col gap-4" onsubmit={add}>
    <label>
      <span class="head mb-1 block">Name to sign in with</span>
      <input class="field w-full" name="name" bind:value={name} required maxlength="64" autocomplete="off" />
    </label>
    <label>
      <span class="head mb-1 block">Role</span>
      <select class="field w-full" name="role" bind:value={role}>
        <option value="viewer">viewer: sees everything, changes nothing</option>
        <option value="technician">technician: reads recorders, tries settings, works off sheets</option>
        <option value="editor">editor: changes policy and gives it out</option>
        <option value="administrator">administrator: adds recorders and people</option>
      </select>
    </label>
    <Trouble error={attempts.error} />
    <div class="flex gap-2">
      <button class="act act-main" disabled={attempts.busy}>Make an invitation</button>
      <button class="act" type="button" onclick={() => (adding = false)}>Cancel</button>
    </div>
  </form>
</Modal>

<Modal
  open={invited !== undefined}
  onclose={() => (invited = undefined)}
  title="Invitation for {invited?.name}"
  description="It is shown this once. Hand it over yourself; whoever has it comes in as {invited?.name}."
>
  <label>
    <span class="head mb-1 block">Link, good for seven days</span>
    <input
      class="field native w-full"
      readonly
      value={link}
      onfocus={(e) => e.currentTarget.select()}
      name="link"
    />
  </label>
  <p class="mt-3 text-sm">
    or sign in as {invited?.name} with the one-time password
    <span class="native">{invited?.oneTimePassword}</span>
  </p>
  <button class="act mt-4" onclick={() => (invited = undefined)}>Close</button>
</Modal>

<Modal
  open={leaving !== undefined}
  onclose={() => (leaving = undefined)}
  title="Remove {leaving?.name}"
  description="They are signed out at once and their tokens end. What they did stays in the journal under their name.{leaving?.ofTheOrganisation
    ? ' They come back when they sign in again, for as long as their groups have a role here.'
    : ''}"
>
  <Trouble error={attempts.error} />
  <div class="flex gap-2">
    <button class="act act-main" disabled={attempts.busy} onclick={() => leaving && remove(leaving.name)}
      >Remove them</button
    >
    <button class="act" onclick={() => (leaving = undefined)}>Cancel</button>
  </div>
</Modal>

<Modal
  open={tokensOf !== undefined}
  onclose={() => (tokensOf = undefined)}
  title="Tokens of {tokensOf}"
  description="Each lets a program in as {tokensOf}, until it ends or is revoked."
>
  {#if tokensOf}<Tokens of={tokensOf} onchanged={again} />{/if}
</Modal>
