<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { navigate, p, route } from '../router';
  import PreviewTable from './PreviewTable.svelte';
  import ProofNote from './ProofNote.svelte';
  import RolloutTerms from './RolloutTerms.svelte';
  import { rolloutTerms, termsBody, termsWords } from './rollout-terms';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import { stateWords } from '../lib/work.svelte';

  const select = $derived(typeof route.search.select === 'string' ? route.search.select : undefined);
  const rollouts = createQuery(() => ({
    queryKey: ['rollouts'],
    queryFn: () => ask(api.GET('/api/v1/rollouts')),
  }));
  /** A preview is asked for by its selection; it is made anew each time, since it holds only for what it saw. */
  const preview = createQuery(() => ({
    queryKey: ['preview', select],
    queryFn: () => ask(api.POST('/api/v1/previews', { body: { select: select ?? '' } })),
    enabled: select !== undefined,
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
  }));
  let terms = $state(rolloutTerms());
  let confirmed = $state<string[]>([]);
  const unconfirmed = (made: Schemas['Preview']) =>
    made.proof.lost.some((l) => l.caughtNow && !confirmed.includes(l.name));
  let error = $state<Error | undefined>();
  let busy = $state(false);
  let asked = $state<Schemas['Preview'] | undefined>();

  async function start(made: Schemas['Preview']) {
    error = undefined;
    busy = true;
    try {
      const work = await ask(
        api.POST('/api/v1/rollouts', { body: { preview: made.id, ...termsBody(terms), mayMiss: confirmed } }),
      );
      navigate('/rollouts/:id', { params: { id: String(work.id) } });
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }

  type Work = Schemas['WorkView'];
  const COLUMNS: ListColumn<Work>[] = [
    { key: 'id', title: 'Rollout', value: (w) => w.id },
    { key: 'createdAt', title: 'Started', value: (w) => w.createdAt },
    { key: 'who', title: 'By', value: (w) => w.who },
    { key: 'selection', title: 'Cameras', value: (w) => w.selection || 'all' },
    { key: 'state', title: 'State', value: (w) => w.state },
    { key: 'note', title: 'Outcome', value: (w) => w.note },
    { key: 'endedAt', title: 'Ended', value: (w) => w.endedAt, aside: true },
  ];

  const answer = $derived(
    preview.data
      ? `${count(preview.data.cameras.length, 'camera')} would change, ${preview.data.inTune} ${preview.data.inTune === 1 ? 'holds' : 'hold'} what is asked, ${preview.data.unread.length} ${preview.data.unread.length === 1 ? 'is' : 'are'} not known.`
      : 'Choose cameras in the box above to see what would change at their recorders before anything is written.',
  );
</script>

<Page question="What would be given out?" {answer}>
  {#if select !== undefined}
    <Loaded query={preview}>
      {#snippet children(made)}
        <ProofNote proof={made.proof} bind:confirmed />
        {#if made.cameras.length > 0}
          <form
            class="mb-4 flex flex-wrap items-end gap-4"
            onsubmit={(e) => {
              e.preventDefault();
              asked = made;
            }}
          >
            <RolloutTerms bind:terms />
            <Allowed to="EDITOR"
              ><button class="act act-main" disabled={unconfirmed(made)}>Start the rollout</button></Allowed
            >
          </form>
        {/if}
        <PreviewTable preview={made} />
      {/snippet}
    </Loaded>
  {/if}

  <h2 class="mt-10 mb-2 text-lg font-semibold">Rollouts so far</h2>
  <Loaded query={rollouts}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="Nothing was given out yet." />
      {:else}
        {#snippet id(w: Work)}
          <a href={p('/rollouts/:id', { params: { id: String(w.id) } })}>Rollout {w.id}</a>
        {/snippet}
        {#snippet createdAt(w: Work)}
          <span class="whitespace-nowrap">{when(w.createdAt)}</span>
        {/snippet}
        {#snippet endedAt(w: Work)}
          <span class="whitespace-nowrap">{w.endedAt ? when(w.endedAt) : ''}</span>
        {/snippet}
        {#snippet state(w: Work)}
          <span class="whitespace-nowrap">{stateWords(w.state)}</span>
        {/snippet}
        <List
          name="rollouts"
          unit="rollout"
          rows={all}
          columns={COLUMNS}
          of={(w) => w.id}
          cells={{ id, createdAt, endedAt, state }}
        />
      {/if}
    {/snippet}
  </Loaded>
</Page>

<Modal
  open={asked !== undefined}
  onclose={() => (asked = undefined)}
  title="Write to {asked ? count(asked.cameras.length, 'camera') : ''}?"
  description={termsWords(terms)}
>
  <Trouble {error} />
  <div class="flex gap-2">
    <button class="act act-main" disabled={busy} onclick={() => asked && void start(asked)}>Write it</button>
    <button class="act" onclick={() => (asked = undefined)}>Not yet</button>
  </div>
</Modal>
