<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { when } from '../lib/format';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import { hasEnded, stateWords, WorkFollower } from '../lib/work.svelte';
  import { route } from '../router';
  import RolloutActs from './RolloutActs.svelte';
  import RolloutSteps from './RolloutSteps.svelte';

  const id = $derived(Number(route.params.id));
  const client = useQueryClient();
  const rollout = createQuery(() => ({
    queryKey: ['rollout', id],
    queryFn: () => ask(api.GET('/api/v1/rollouts/{id}', { params: { path: { id } } })),
  }));
  const follower = new WorkFollower();
  const work = $derived(follower.work ?? rollout.data?.work);
  const written = $derived(
    (['verified', 'mismatched', 'unsettled'] as const).reduce(
      (sum, state) => sum + (rollout.data?.counts[state] ?? 0),
      0,
    ),
  );

  const isThere = $derived(rollout.data !== undefined);

  // The events come from outside; they are followed while this rollout is shown, and of another kind of work not at all.
  $effect(() => {
    if (isThere) {
      follower.follow(id, () => void client.invalidateQueries());
    }
    return () => follower.stop();
  });
  // A step that ended shows in the table as well.
  $effect(() => {
    if (follower.work) {
      void rollout.refetch();
    }
  });

  const answer = $derived(
    work
      ? hasEnded(work)
        ? `${stateWords(work.state)}: ${work.note}.`
        : work.state === 'asked'
          ? 'Nothing is written before somebody else than ' + work.who + ' lets it go.'
          : work.state === 'paused'
            ? `Paused; ${work.done} of ${work.total} cameras are settled, and nothing is written until it goes on.`
            : work.note
              ? `Being written, and read back step by step; ${work.note}.`
              : 'Being written, and read back step by step.'
      : undefined,
  );
</script>

<Page question={work?.state === 'asked' ? 'Shall it be given out?' : 'Did it take?'} {answer}>
  {#snippet act()}
    {#if work}
      <RolloutActs {work} {written} onchanged={() => void client.invalidateQueries()} />
    {/if}
  {/snippet}
  {#if work}
    <p class="mb-4 text-sm text-faint">
      Rollout {id} by {work.who}, {work.state === 'asked' ? 'asked for' : 'started'}
      {when(work.createdAt)}{work.endedAt ? `, ended ${when(work.endedAt)}` : ''}{work.approvedBy
        ? `, let go by ${work.approvedBy}`
        : ''}
    </p>
    {#if work.state !== 'asked'}<div class="mb-6"><Progress {work} unit="cameras" /></div>{/if}
  {/if}
  <Loaded query={rollout}>
    {#snippet children(r)}
      <RolloutSteps rollout={r} />
    {/snippet}
  </Loaded>
</Page>
