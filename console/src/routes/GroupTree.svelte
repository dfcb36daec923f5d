<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { groupTerm } from '../lib/format';
  import Loaded from '../lib/ui/Loaded.svelte';
  import { person } from '../lib/session.svelte';
  import { p } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';

  /** The tree of groups; cameras are dropped on it, and a group is dragged or carried by keyboard under another. */
  let { select, carried, onmoved }: { select: string; carried: string[]; onmoved: (told: string) => void } =
    $props();

  const client = useQueryClient();
  const groups = createQuery(() => ({
    queryKey: ['groups'],
    queryFn: () => ask(api.GET('/api/v1/groups')),
  }));
  let over = $state('');
  let lifted = $state('');
  let adding = $state('');
  let trouble = $state('');

  async function attempt(work: () => Promise<unknown>, told: string) {
    trouble = '';
    try {
      await work();
      await client.invalidateQueries();
      onmoved(told);
    } catch (e) {
      trouble = (e as Error).message;
    }
  }

  const moveCameras = (cameras: string[], group: string) =>
    attempt(
      () =>
        ask(
          api.POST('/api/v1/placings', {
            body: { lines: cameras.map((camera, i) => ({ line: i + 1, camera, group })) },
          }),
        ),
      `${cameras.length === 1 ? cameras[0] : `${cameras.length} cameras`} moved to ${group.replace(/^fleet\//, '')}.`,
    );

  const moveGroup = (from: string, under: string) =>
    attempt(
      () =>
        ask(api.POST('/api/v1/groups/move', { body: { from, to: `${under}/${from.split('/').at(-1)}` } })),
      `${from.split('/').at(-1)} moved under ${under.split('/').at(-1)}.`,
    );

  function drop(event: DragEvent, group: string) {
    event.preventDefault();
    over = '';
    const cameras = event.dataTransfer?.getData('text/x-cameras');
    const from = event.dataTransfer?.getData('text/x-group');
    if (cameras) {
      void moveCameras(cameras.split(' '), group);
    } else if (from && from !== group && !group.startsWith(from + '/')) {
      void moveGroup(from, group);
    }
  }

  function key(event: KeyboardEvent, group: string) {
    if (event.key === 'm' && group !== 'fleet') {
      event.preventDefault();
      lifted = lifted === group ? '' : group;
    } else if (event.key === 'p') {
      event.preventDefault();
      if (lifted && lifted !== group && !group.startsWith(lifted + '/')) {
        void moveGroup(lifted, group);
        lifted = '';
      } else if (carried.length > 0) {
        void moveCameras(carried, group);
      }
    } else if (event.key === 'Escape') {
      lifted = '';
    }
  }

  const add = () =>
    attempt(() => ask(api.POST('/api/v1/groups', { body: { path: adding } })), `${adding} added.`).then(
      () => (adding = ''),
    );
</script>

<nav aria-label="Groups" class="text-sm max-lg:max-h-64 max-lg:overflow-y-auto">
  <Loaded query={groups}>
    {#snippet children(all)}
      <ul>
        {#each all as group (group.group)}
          {@const depth = group.group.split('/').length - 1}
          {@const term = groupTerm(group.group)}
          <li
            ondragover={(e) => {
              e.preventDefault();
              over = group.group;
            }}
            ondragleave={() => (over = '')}
            ondrop={(e) => drop(e, group.group)}
          >
            <a
              href={p('/fleet') + (term ? '?select=' + encodeURIComponent(term) : '')}
              aria-current={select === term ? 'true' : undefined}
              draggable={group.group !== 'fleet'}
              ondragstart={(e) => e.dataTransfer?.setData('text/x-group', group.group)}
              onkeydown={(e) => key(e, group.group)}
              class="flex justify-between gap-2 rounded-sm py-1 pr-2 text-ink no-underline hover:bg-sunken {select ===
              term
                ? 'bg-accent-wash font-semibold'
                : ''} {over === group.group ? 'outline-2 outline-accent' : ''} {lifted === group.group
                ? 'italic opacity-60'
                : ''}"
              style:padding-left="{8 + depth * 14}px"
            >
              <span class="truncate">{group.group.split('/').at(-1)}</span>
              <span class="text-faint">
                {group.cameras - group.inTune > 0 ? `${group.cameras - group.inTune} of ` : ''}{group.cameras}
              </span>
            </a>
          </li>
        {/each}
      </ul>
      <p class="mt-2 px-2 text-xs text-faint">
        not in tune, of all below.{#if person.may('EDITOR')}
          By keyboard: m lifts a group, p puts it, or the ticked cameras, under another.{/if}
      </p>
      {#if lifted}<p class="px-2 text-xs text-waiting" role="status">
          {lifted.replace(/^fleet\//, '')} is lifted.
        </p>{/if}
      {#if trouble}<p class="px-2 text-loss" role="alert">{trouble}</p>{/if}
      <Allowed to="EDITOR"
        ><form
          class="mt-3 flex gap-2 px-2"
          onsubmit={(e) => {
            e.preventDefault();
            void add();
          }}
        >
          <input
            class="field min-w-0 flex-1"
            bind:value={adding}
            required
            aria-label="New group"
            placeholder="terminals/haldr/pier"
          />
          <button class="act">Add</button>
        </form></Allowed
      >
    {/snippet}
  </Loaded>
</nav>
