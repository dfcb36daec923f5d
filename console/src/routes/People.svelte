<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import { person } from '../lib/session.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import Tokens from './Tokens.svelte';
  import { invitationLink } from './people/invitation';
  import { asked, aViewer, rolesOf, rolesWords, type Roles } from './people/roles';
  import RolesForm from './people/RolesForm.svelte';
  import Sessions from './people/Sessions.svelte';
  import SecondFactor from './people/SecondFactor.svelte';

  const client = useQueryClient();
  const people = createQuery(() => ({
    queryKey: ['people'],
    queryFn: () => ask(api.GET('/api/v1/people')),
    enabled: person.everywhere,
  }));
  const attempts = new Attempt();
  const again = () => void client.invalidateQueries({ queryKey: ['people'] });

  let adding = $state(false);
  let name = $state('');
  let roles = $state<Roles>(aViewer());
  let changing = $state<string | undefined>();
  let invited = $state<Schemas['Invitation'] | undefined>();
  let leaving = $state<Schemas['PersonView'] | undefined>();
  let tokensOf = $state<string | undefined>();
  let sessionsOf = $state<string | undefined>();

  function add(event: SubmitEvent) {
    event.preventDefault();
    void attempts.run(
      async () => {
        invited = await ask(api.POST('/api/v1/people', { body: { name, ...asked(roles) } }));
      },
      () => {
        adding = false;
        name = '';
        again();
      },
    );
  }

  const path = (of: string) => ({ params: { path: { name: of } } });

  function change(event: SubmitEvent) {
    event.preventDefault();
    const of = changing;
    if (of !== undefined) {
      void attempts.run(
        () => ask(api.PUT('/api/v1/people/{name}', { ...path(of), body: asked(roles) })),
        () => {
          changing = undefined;
          again();
        },
      );
    }
  }

  function edit(p: Schemas['PersonView']) {
    roles = rolesOf(p);
    changing = p.name;
  }

  const invite = (of: string) =>
    attempts.run(async () => {
      invited = await ask(api.POST('/api/v1/people/{name}/one-time-password', path(of)));
    }, again);

  /** For somebody whose authenticator is lost. */
  const loseFactor = (of: string) =>
    attempts.run(() => ask(api.DELETE('/api/v1/people/{name}/second-factor', path(of))), again);

  const signOut = (of: string) =>
    attempts.run(
      () => ask(api.DELETE('/api/v1/people/{name}/sessions', path(of))),
      () => {
        sessionsOf = undefined;
        again();
      },
    );

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
          : p.secondFactor
            ? 'own, and a code'
            : 'own';
  }

  type Person = Schemas['PersonView'];
  const COLUMNS: ListColumn<Person>[] = [
    { key: 'name', title: 'Name', value: (p) => p.name },
    { key: 'roles', title: 'Roles', value: rolesWords },
    { key: 'password', title: 'Password', value: password },
    { key: 'createdAt', title: 'Since', value: (p) => p.createdAt },
    { key: 'tokens', title: 'Tokens', value: (p) => p.tokens },
  ];

  const link = $derived(invited ? invitationLink(location.origin, invited) : '');
</script>

<Page
  question="Who may do what here?"
  answer={people.data
    ? `${count(people.data.length, 'person', 'people')}; ${count(people.data.filter((p) => p.roles.includes('administrator')).length, 'administrator')}.`
    : person.everywhere
      ? undefined
      : `You are ${person.role} in ${person.session?.places.join(', ')}.`}
>
  {#snippet act()}
    <Allowed to="ADMINISTRATOR" fleet
      ><button
        class="act act-main"
        onclick={() => {
          roles = aViewer();
          adding = true;
        }}>Let somebody in …</button
      ></Allowed
    >
  {/snippet}
  {#if !adding && !leaving && !changing}<Trouble error={attempts.error} />{/if}
  {#if person.everywhere}<Loaded query={people}>
      {#snippet children(all)}
        {#snippet name(p: Person)}
          <span class="font-semibold">{p.name}{p.name === person.session?.user ? ' (you)' : ''}</span>
        {/snippet}
        {#snippet secret(p: Person)}
          <span class={p.oneTime ? 'text-waiting' : 'text-faint'}>{password(p)}</span>
        {/snippet}
        {#snippet createdAt(p: Person)}<span class="whitespace-nowrap">{when(p.createdAt)}</span>{/snippet}
        {#snippet tokens(p: Person)}
          {#if p.tokens > 0 && person.may('ADMINISTRATOR')}
            <button class="underline" onclick={() => (tokensOf = p.name)}>{p.tokens}</button>
          {:else}<span class="text-faint">{p.tokens}</span>{/if}
        {/snippet}
        {#snippet act(p: Person)}
          {#if person.may('ADMINISTRATOR') && p.name !== person.session?.user}
            {#if !p.ofTheOrganisation}
              <button class="act" disabled={attempts.busy} onclick={() => edit(p)}>Roles …</button>
              <button class="act" disabled={attempts.busy} onclick={() => invite(p.name)}>Invite again</button
              >
              {#if p.secondFactor}
                <button class="act" disabled={attempts.busy} onclick={() => loseFactor(p.name)}
                  >Password alone</button
                >
              {/if}
            {/if}
            <button class="act" disabled={attempts.busy} onclick={() => (sessionsOf = p.name)}
              >Sessions …</button
            >
            <button class="act" disabled={attempts.busy} onclick={() => (leaving = p)}>Remove …</button>
          {/if}
        {/snippet}
        <List
          name="people"
          unit="person"
          units="people"
          rows={all}
          columns={COLUMNS}
          of={(p) => p.name}
          cells={{ name, password: secret, createdAt, tokens }}
          {act}
        />
      {/snippet}
    </Loaded>{/if}
  <h2 class="mt-10 mb-1 text-lg font-semibold">Your second factor</h2>
  <SecondFactor />
  <h2 class="mt-10 mb-1 text-lg font-semibold">Where you are signed in</h2>
  <Sessions />
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
    <RolesForm bind:roles />
    <Trouble error={attempts.error} />
    <div class="flex gap-2">
      <button class="act act-main" disabled={attempts.busy}>Make an invitation</button>
      <button class="act" type="button" onclick={() => (adding = false)}>Cancel</button>
    </div>
  </form>
</Modal>

<Modal
  open={changing !== undefined}
  onclose={() => (changing = undefined)}
  title="What {changing} may do"
  description="They sign in again when this is kept."
>
  <form class="flex flex-col gap-4" onsubmit={change}>
    <RolesForm bind:roles />
    <Trouble error={attempts.error} />
    <div class="flex gap-2">
      <button class="act act-main" disabled={attempts.busy}>Keep</button>
      <button class="act" type="button" onclick={() => (changing = undefined)}>Cancel</button>
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

<Modal
  open={sessionsOf !== undefined}
  onclose={() => (sessionsOf = undefined)}
  title="Where {sessionsOf} is signed in"
>
  {#if sessionsOf}<Sessions of={sessionsOf} />{/if}
  <Trouble error={attempts.error} />
  <button class="act mt-4" disabled={attempts.busy} onclick={() => sessionsOf && signOut(sessionsOf)}
    >Sign out everywhere, tokens too</button
  >
</Modal>
