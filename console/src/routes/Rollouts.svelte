<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
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
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[640px] text-sm">
            <Heads titles={['Rollout', 'Started', 'By', 'Cameras', 'State', 'Outcome']} />
            <tbody>
              {#each all as w (w.id)}
                <tr class="border-b border-line/60 hover:bg-raised">
                  <td class="py-2 pr-4"
                    ><a href={p('/rollouts/:id', { params: { id: String(w.id) } })}>Rollout {w.id}</a></td
                  >
                  <td class="py-2 pr-4 whitespace-nowrap">{when(w.createdAt)}</td>
                  <td class="py-2 pr-4">{w.who}</td>
                  <td class="max-w-[280px] truncate py-2 pr-4" title={w.selection}>{w.selection || 'all'}</td>
                  <td class="py-2 pr-4 whitespace-nowrap">{stateWords(w.state)}</td>
                  <td class="py-2 pr-4">{w.note}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
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
