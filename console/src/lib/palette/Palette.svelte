<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { cameraPath, navigate, p } from '../../router';
  import { api, ask } from '../api/client';
  import { namesQuery } from '../api/names';
  import { groupName, groupTerm } from '../format';
  import { person } from '../session.svelte';
  import Modal from '../ui/Modal.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { KEYS } from './keys';
  import { matching, type Entry } from './matching';

  /** Every place and every act by typing; Ctrl K from any page. */
  let { views, onkeys }: { views: readonly { path: string; word: string }[]; onkeys: () => void } = $props();

  const MOST = 40;
  const FEWEST_LETTERS = 2;
  let open = $state(false);
  let typed = $state('');
  let error = $state<Error | undefined>();

  const named = createQuery(() => namesQuery(open));
  const word = $derived(typed.trim().split(/\s+/).at(-1) ?? '');
  const cameras = createQuery(() => ({
    queryKey: ['palette', 'cameras', word],
    enabled: open && word.length >= FEWEST_LETTERS && !/[:"\\,*]/.test(word),
    queryFn: () =>
      ask(
        api.GET('/api/v1/cameras', {
          params: { query: { select: `label:*${word}*,camera:*${word}*`, limit: 8 } },
        }),
      ),
    retry: false,
  }));

  /** The guide is large, and fetched when somebody looks for something. */
  const guide = createQuery(() => ({
    queryKey: ['palette', 'guide'],
    enabled: open && word.length >= FEWEST_LETTERS,
    queryFn: async () => [...(await import('../guide/pages')).PAGES],
    staleTime: Infinity,
  }));

  const to = (path: string) => () => navigate(path as never);
  const selecting = (path: string, selection: string) => `${path}?select=${encodeURIComponent(selection)}`;

  async function audit(selection: string) {
    await ask(api.POST('/api/v1/audits', { body: { select: selection } }));
    navigate(selecting('/audit', selection) as never);
  }

  async function read(recorder: string) {
    await ask(api.POST('/api/v1/readings', { body: { recorders: [recorder] } }));
    navigate('/recorders/:name', { params: { name: recorder } });
  }

  function actsOn(name: string, selection: string): Entry[] {
    return [
      ...(person.may('TECHNICIAN')
        ? [{ words: `Audit ${name}`, sort: 'act', run: () => audit(selection) }]
        : []),
      ...(person.may('EDITOR')
        ? [{ words: `Preview ${name}`, sort: 'act', run: to(selecting('/rollouts', selection)) }]
        : []),
      { words: `Activity of ${name}`, sort: 'view', run: to(selecting('/activity', selection)) },
      { words: `Disks of ${name}`, sort: 'view', run: to(selecting('/disks', selection)) },
    ];
  }

  const entries = $derived<Entry[]>([
    ...views.map((v) => ({ words: v.word, sort: 'view', run: to(v.path) })),
    { words: 'What waits for you', sort: 'view', run: to('/inbox') },
    ...(cameras.data?.items ?? []).map((c) => ({
      words: `${c.camera} ${c.label}`,
      sort: 'camera',
      run: to(cameraPath(c.camera)),
    })),
    ...(named.data?.groups ?? []).map((g) => ({
      words: groupName(g.group),
      sort: 'group',
      run: to(`/group?path=${encodeURIComponent(g.group.replace(/^fleet\//, ''))}`),
    })),
    ...(named.data?.recorders ?? []).map((r) => ({
      words: r.name,
      sort: 'recorder',
      run: to(p('/recorders/:name', { params: { name: r.name } })),
    })),
    ...(named.data?.templates ?? []).map((t) => ({
      words: `${t.name} ${t.title}`,
      sort: 'template',
      run: to(p('/templates/:name', { params: { name: t.name } })),
    })),
    ...(named.data?.groups ?? []).flatMap((g) => actsOn(groupName(g.group), groupTerm(g.group))),
    ...(named.data?.recorders ?? []).flatMap((r) => [
      ...(person.may('TECHNICIAN')
        ? [{ words: `Read ${r.name}`, sort: 'act', run: () => read(r.name) }]
        : []),
      ...actsOn(r.name, `recorder:${r.name}`),
    ]),
    ...(guide.data ?? []).flatMap(([page, { title, sections }]) =>
      sections.map(({ id, head }, n) => ({
        words: n === 0 ? title : `${head} (${title})`,
        sort: 'guide',
        run: to(`/guide/${page}${n === 0 ? '' : `#${id}`}`),
      })),
    ),
    ...KEYS.map(([keys, does]) => ({ words: `${keys}: ${does}`, sort: 'key', run: onkeys })),
  ]);
  const shown = $derived(matching(entries, typed, MOST));
  /** Enter takes the first, also when names come in while somebody types. */
  let at = $derived(shown.length > 0 ? 0 : -1);
  const id = $props.id();

  function move(event: KeyboardEvent) {
    const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    if (step !== 0 && shown.length > 0) {
      event.preventDefault();
      at = (at + step + shown.length) % shown.length;
      document.getElementById(`${id}-${at}`)?.scrollIntoView({ block: 'nearest' });
    } else if (event.key === 'Enter') {
      event.preventDefault();
      const entry = shown[at];
      if (entry) {
        void choose(entry);
      }
    }
  }

  async function choose(entry: Entry) {
    error = undefined;
    try {
      open = false;
      await entry.run();
    } catch (e) {
      error = e as Error;
      open = true;
    }
  }

  function key(event: KeyboardEvent) {
    if (
      event.key.toLowerCase() === 'k' &&
      (event.ctrlKey || event.metaKey) &&
      !event.altKey &&
      !event.shiftKey
    ) {
      event.preventDefault();
      typed = '';
      error = undefined;
      open = !open;
    }
  }
</script>

<svelte:window onkeydown={key} />
<Modal bind:open title="Where to, or what to do?">
  <input
    bind:value={typed}
    class="field w-full"
    placeholder="a camera, a group, audit haldr"
    aria-label="Place or act"
    autocomplete="off"
    role="combobox"
    aria-expanded="true"
    aria-autocomplete="list"
    aria-controls="{id}-list"
    aria-activedescendant={at >= 0 ? `${id}-${at}` : undefined}
    onkeydown={move}
  />
  <Trouble {error} />
  <ul id="{id}-list" role="listbox" aria-label="What fits" class="mt-3 max-h-[56vh] overflow-y-auto">
    <!-- A group and a recorder may have one name, and then their acts have the same words. -->
    {#each shown as entry, n (n)}
      <!-- Its keys are those of the field. -->
      <!-- svelte-ignore a11y_click_events_have_key_events -->
      <li
        id="{id}-{n}"
        role="option"
        aria-selected={n === at}
        class="flex cursor-pointer items-baseline gap-4 px-2 py-1.5 {n === at ? 'bg-accent-wash' : ''}"
        onclick={() => choose(entry)}
      >
        <span class="min-w-0 flex-1 truncate">{entry.words}</span>
        <span class="text-xs text-faint">{entry.sort}</span>
      </li>
    {/each}
  </ul>
  {#if shown.length === 0}<p class="px-2 py-2 text-sm text-faint">Nothing is called that.</p>{/if}
</Modal>
