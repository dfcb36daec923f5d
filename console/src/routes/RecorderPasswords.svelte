<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { Attempt } from '../lib/attempt.svelte';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count } from '../lib/format';
  import Heads from '../lib/ui/Heads.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { stateWords, WorkFollower } from '../lib/work.svelte';

  /** New passwords at many recorders: what would be done is seen first, and the old ones count until the new ones are taken. */
  let { open = $bindable(false) }: { open?: boolean } = $props();

  const client = useQueryClient();
  const attempts = new Attempt();
  const work = new WorkFollower();
  let select = $state('');
  let same = $state(false);
  let password = $state('');
  let waves = $state('1, 10%');
  let plain = $state(false);
  let outlook = $state<Schemas['PasswordOutlook'] | undefined>();
  const changed = $derived(outlook?.recorders.filter((line) => !line.why) ?? []);
  const reasons = $derived([...new Set(outlook?.recorders.flatMap((line) => line.why ?? []))]);
  const leftOut = (why: string) => outlook?.recorders.filter((line) => line.why === why) ?? [];

  const wish = () => ({
    select,
    plain,
    waves: waves
      .split(',')
      .map((w) => w.trim())
      .filter(Boolean),
    ...(same ? { password } : {}),
  });

  function look(event: SubmitEvent) {
    event.preventDefault();
    void attempts.run(async () => {
      outlook = await ask(api.POST('/api/v1/password-changes/outlook', { body: wish() }));
    });
  }

  const change = () =>
    attempts.run(async () => {
      const begun = await ask(api.POST('/api/v1/password-changes', { body: wish() }));
      work.follow(begun.id, () => client.invalidateQueries());
    });

  function leave() {
    open = false;
    outlook = undefined;
    password = '';
    work.work = undefined;
  }
</script>

<Modal
  bind:open
  onclose={leave}
  title="Change passwords at recorders"
  description="Whatever else signs in to these recorders by the same user has to be told. The old password counts until a recorder was seen to take the new one."
>
  {#if work.work}
    <Progress work={work.work} unit="recorders" />
    {#if !work.running}
      <p class="mt-3 text-sm">{stateWords(work.work.state)}. {work.work.note}</p>
    {/if}
    <button class="act mt-4" type="button" onclick={leave}>Close</button>
  {:else if outlook}
    <p class="mb-2 text-sm">
      {count(outlook.changed, 'recorder')}
      {outlook.changed === 1 ? 'gets' : 'get'} a new password{outlook.leftOut > 0
        ? `; ${outlook.leftOut} ${outlook.leftOut === 1 ? 'is' : 'are'} left out`
        : ''}.
    </p>
    <div class="max-h-72 overflow-auto text-sm">
      {#if changed.length > 0}
        <table class="w-full">
          <Heads titles={['Recorder', 'User', 'TLS']} />
          <tbody>
            {#each changed as line (line.recorder)}
              <tr class="border-b border-line/60">
                <td class="py-1.5 pr-4 whitespace-nowrap">{line.recorder}</td>
                <td class="native py-1.5 pr-4">{line.user}</td>
                <td class="py-1.5">{line.tls ? 'yes' : 'no'}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      {#each reasons as why (why)}
        <p class="mt-3 text-faint">
          Left out, since {leftOut(why).length === 1 ? 'it' : 'each'}
          {why}:
          <span class="text-ink"
            >{leftOut(why)
              .map((l) => l.recorder)
              .join(', ')}</span
          >
        </p>
      {/each}
    </div>
    <div class="mt-4"><Trouble error={attempts.error} /></div>
    <div class="flex flex-wrap gap-2">
      <button
        class="act act-main"
        type="button"
        disabled={attempts.busy || outlook.changed === 0}
        onclick={change}>Change {count(outlook.changed, 'password')}</button
      >
      <button class="act" type="button" onclick={() => (outlook = undefined)}>Back</button>
    </div>
  {:else}
    <form class="flex flex-col gap-4" onsubmit={look}>
      <label>
        <span class="head mb-1 block">Recorders of</span>
        <input
          class="field w-full"
          bind:value={select}
          name="select"
          placeholder="all; or group:terminals/haldr, recorder:haldr-1"
          autocomplete="off"
        />
      </label>
      <fieldset class="flex flex-col gap-1 text-sm">
        <legend class="head mb-1">New password</legend>
        <label class="flex items-center gap-2"
          ><input type="radio" bind:group={same} value={false} name="same" /> one of its own for each, which nobody
          needs to know</label
        >
        <label class="flex items-center gap-2"
          ><input type="radio" bind:group={same} value={true} name="same" /> the same for all</label
        >
        {#if same}
          <input
            class="field mt-1 w-72"
            type="password"
            bind:value={password}
            name="password"
            aria-label="The password for all"
            required
            minlength="8"
            maxlength="64"
            autocomplete="new-password"
          />
        {/if}
      </fieldset>
      <label>
        <span class="head mb-1 block">Go first</span>
        <input
          class="field w-40"
          bind:value={waves}
          name="waves"
          required
          pattern="\s*\d+ ?%?(\s*,\s*\d+ ?%?)*\s*"
          title="Numbers of recorders, or shares of them, one for each wave before the rest: 1, 10%"
        />
      </label>
      <label class="flex items-center gap-2 text-sm"
        ><input type="checkbox" bind:checked={plain} name="plain" /> also recorders without TLS, where anybody on
        the way can read it</label
      >
      <Trouble error={attempts.error} />
      <div class="flex gap-2">
        <button class="act act-main" disabled={attempts.busy}>See what would be done</button>
        <button class="act" type="button" onclick={leave}>Cancel</button>
      </div>
    </form>
  {/if}
</Modal>
