<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { count, dayIn } from '../../lib/format';
  import { person } from '../../lib/session.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';

  /** Why, until when, or to whom: what a decision about findings needs. */
  let {
    act,
    ids,
    onclose,
    ondecided,
  }: {
    act: 'adopt' | 'accept' | 'assign';
    ids: number[];
    onclose: () => void;
    ondecided: () => void;
  } = $props();

  const WORDS = {
    adopt: {
      title: 'Adopt what the recorders hold',
      says: 'It becomes the policy of each camera alone, as an override with your reason, until its last day.',
      done: 'Adopt',
    },
    accept: {
      title: 'Leave it as it is for a while',
      says: 'It stays quiet until its last day. If what is asked or what is held moves before, it opens again.',
      done: 'Accept',
    },
    assign: {
      title: 'Give to a person',
      says: 'It stays open, and stands in the list of that person.',
      done: 'Give',
    },
  };

  let because = $state('');
  let until = $state(dayIn(90));
  let to = $state(person.session?.user ?? '');
  let error = $state<Error | undefined>();
  let busy = $state(false);
  let refused = $state.raw<Schemas['RefusedView'][]>([]);

  async function decide(event: SubmitEvent) {
    event.preventDefault();
    error = undefined;
    busy = true;
    try {
      const outcome = await ask(
        api.POST('/api/v1/findings/decisions', {
          body: {
            findings: ids,
            decision: act,
            because,
            ...(act === 'assign' ? { to } : { until }),
          },
        }),
      );
      refused = outcome.refused;
      if (outcome.refused.length === 0) {
        ondecided();
        onclose();
      }
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }

  function leave() {
    if (refused.length > 0) {
      ondecided();
    }
    onclose();
  }
</script>

<Modal
  open
  onclose={leave}
  title="{WORDS[act].title}: {count(ids.length, 'finding')}"
  description={WORDS[act].says}
>
  {#if refused.length > 0}
    <p>
      {count(ids.length - refused.length, 'finding')} decided; {count(refused.length, 'finding')} could not be:
    </p>
    <ul class="mt-2 max-h-60 overflow-y-auto text-sm">
      {#each refused as r (r.finding)}<li class="border-b border-line/60 py-1">
          {r.finding}: {r.why}
        </li>{/each}
    </ul>
    <button class="act act-main mt-4" onclick={leave}>Close</button>
  {:else}
    <form class="flex flex-col gap-4" onsubmit={decide}>
      {#if act === 'assign'}
        <label>
          <span class="head mb-1 block">Person</span>
          <input class="field w-60" bind:value={to} name="to" required autocomplete="off" />
        </label>
      {/if}
      <label>
        <span class="head mb-1 block">{act === 'assign' ? 'Note' : 'Reason'}</span>
        <input
          class="field w-full"
          bind:value={because}
          name="because"
          required={act !== 'assign'}
          maxlength="500"
          autocomplete="off"
        />
      </label>
      {#if act !== 'assign'}
        <label>
          <span class="head mb-1 block">Last day</span>
          <input class="field w-44" type="date" bind:value={until} name="until" required min={dayIn(0)} />
        </label>
      {/if}
      <Trouble {error} />
      <div class="flex gap-2">
        <button class="act act-main" disabled={busy}>{WORDS[act].done}</button>
        <button class="act" type="button" onclick={leave}>Cancel</button>
      </div>
    </form>
  {/if}
</Modal>
