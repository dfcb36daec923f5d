<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { when } from '../lib/format';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Progress from '../lib/ui/Progress.svelte';
  import { hasEnded, stateWords, WorkFollower } from '../lib/work.svelte';
  import { cameraPath, route } from '../router';
  import RolloutActs from './RolloutActs.svelte';

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

  // The events come from outside; they are followed while this rollout is shown.
  $effect(() => {
    follower.follow(id, () => void client.invalidateQueries());
    return () => follower.stop();
  });
  // A step that ended shows in the table as well.
  $effect(() => {
    if (follower.work) {
      void rollout.refetch();
    }
  });

  type Step = Schemas['StepView'];
  const changed = (s: Step) => s.changes.map((c) => `${c.title} ${c.before ?? '–'} → ${c.after}`).join('; ');
  const COLUMNS: ListColumn<Step>[] = [
    { key: 'camera', title: 'Camera', value: (s) => s.camera, text: (s) => s.label },
    { key: 'wave', title: 'Wave', value: (s) => s.wave },
    { key: 'state', title: 'State', value: (s) => s.state },
    { key: 'changes', title: 'Changes', value: changed },
    { key: 'detail', title: 'Detail', value: (s) => s.detail },
  ];
  const COLOUR: Record<string, string> = {
    verified: 'text-accent',
    mismatched: 'text-loss font-semibold',
    failed: 'text-loss font-semibold',
    skipped: 'text-waste',
    unsettled: 'text-loss',
    writing: 'text-waiting',
    planned: 'text-faint',
  };
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
      {#snippet camera(s: Step)}
        <a class="native" href={cameraPath(s.camera)}>{s.camera}</a>
        {s.label}
      {/snippet}
      {#snippet state(s: Step)}<span class={COLOUR[s.state] ?? ''}>{s.state}</span>{/snippet}
      {#snippet changes(s: Step)}
        {#each s.changes as c (c.key)}
          <div>
            {c.title} <span class="native">{c.before ?? '–'} → <b>{c.after}</b></span>
          </div>
        {/each}
      {/snippet}
      {#snippet detail(s: Step)}<span class="text-faint">{s.detail}</span>{/snippet}
      <List
        name="rollout-steps"
        unit="camera"
        rows={r.steps}
        columns={COLUMNS}
        of={(s) => s.camera}
        cells={{ camera, state, changes, detail }}
      />
    {/snippet}
  </Loaded>
</Page>
