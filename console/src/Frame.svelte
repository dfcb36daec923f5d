<script lang="ts">
  import Book from '@lucide/svelte/icons/book-open';
  import Bell from '@lucide/svelte/icons/bell';
  import Calendar from '@lucide/svelte/icons/calendar-days';
  import Camera from '@lucide/svelte/icons/video';
  import Cylinder from '@lucide/svelte/icons/database';
  import Disc from '@lucide/svelte/icons/hard-drive';
  import Ear from '@lucide/svelte/icons/audio-lines';
  import Eye from '@lucide/svelte/icons/table-2';
  import Film from '@lucide/svelte/icons/chart-no-axes-gantt';
  import Layers from '@lucide/svelte/icons/layers-2';
  import Scroll from '@lucide/svelte/icons/scroll-text';
  import Send from '@lucide/svelte/icons/send';
  import Tray from '@lucide/svelte/icons/inbox';
  import Users from '@lucide/svelte/icons/users';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import { api, ask, type Schemas } from './lib/api/client';
  import { Changes } from './lib/changes';
  import { count, number } from './lib/format';
  import { person } from './lib/session.svelte';
  import { apply, theme, type Theme } from './lib/theme';
  import SelectionBox from './lib/ui/SelectionBox.svelte';
  import Palette from './lib/palette/Palette.svelte';
  import Shortcuts from './lib/ui/Shortcuts.svelte';
  import { isActive, navigate, p, route } from './router';

  let { session }: { session: Schemas['Session'] } = $props();

  const VIEWS = [
    { path: '/', word: 'Overview', icon: Eye },
    { path: '/fleet', word: 'Fleet', icon: Camera },
    { path: '/recorders', word: 'Recorders', icon: Disc },
    { path: '/templates', word: 'Templates', icon: Layers },
    { path: '/calendars', word: 'Calendars', icon: Calendar },
    { path: '/rollouts', word: 'Rollouts', icon: Send },
    { path: '/audit', word: 'Audit', icon: Ear },
    { path: '/activity', word: 'Activity', icon: Film },
    { path: '/disks', word: 'Disks', icon: Cylinder },
    { path: '/watch', word: 'Watch', icon: Bell },
    { path: '/people', word: 'People', icon: Users },
    { path: '/journal', word: 'Journal', icon: Scroll },
    { path: '/guide', word: 'Guide', icon: Book },
  ] as const;
  /** What speaks of the whole fleet. */
  const OF_ALL: readonly string[] = ['/watch', '/journal'];
  const views = VIEWS.filter((v) => person.everywhere || !OF_ALL.includes(v.path));

  const KEPT = ['preview', 'settings', 'own'];
  const OF_WORKS = ['audits', 'rollouts', 'rollout', 'inbox'];
  const overview = createQuery(() => ({
    queryKey: ['overview'],
    queryFn: () => ask(api.GET('/api/v1/overview')),
  }));
  const inbox = createQuery(() => ({
    queryKey: ['inbox'],
    queryFn: () => ask(api.GET('/api/v1/inbox')),
  }));
  const client = useQueryClient();

  // What others do, and what recorders answer, is seen without loading the page again. What is being worked on stays.
  $effect(() => {
    const changes = new Changes();
    changes.listen((topics) => {
      const standings = topics.includes('standings');
      void client.invalidateQueries({
        predicate: (q) => {
          const key = String(q.queryKey[0]);
          return standings ? !KEPT.includes(key) : OF_WORKS.includes(key);
        },
      });
    });
    return () => changes.stop();
  });

  let keys = $state(false);
  let chosen = $state<Theme>(theme());
  const select = $derived(String(route.search.select ?? ''));

  function choose(next: Theme) {
    chosen = next;
    apply(next);
  }

  /** Where a view is about a selection of its own, choosing stays there; elsewhere it leads to the fleet. */
  function chooseCameras(selection: string) {
    const search = { select: selection };
    if (route.pathname === '/audit') {
      navigate('/audit', { search: selection ? search : {} });
    } else if (route.pathname === '/activity') {
      navigate('/activity', { search: selection ? search : {} });
    } else if (route.pathname === '/disks') {
      navigate('/disks', { search: selection ? search : {} });
    } else if (route.pathname === '/rollouts') {
      navigate('/rollouts', { search });
    } else {
      navigate('/fleet', { search: selection ? search : {} });
    }
  }

  async function signOut() {
    const { goTo } = await ask(api.DELETE('/api/v1/session'));
    if (goTo) {
      // Whoever came by the organisation's accounts signs out there as well.
      location.assign(goTo);
      return;
    }
    window.dispatchEvent(new CustomEvent('choir:signed-out'));
  }

  function here(path: string): boolean {
    return path === '/'
      ? isActive('/')
      : route.pathname.startsWith(path) ||
          (path === '/fleet' &&
            (route.pathname.startsWith('/cameras') || route.pathname.startsWith('/group')));
  }
</script>

<a
  href="#content"
  class="sr-only focus:not-sr-only focus:fixed focus:top-2 focus:left-2 focus:z-50 focus:bg-raised focus:p-2"
  >To the content</a
>
<Shortcuts bind:open={keys} />
<Palette {views} onkeys={() => (keys = true)} />
<div class="flex min-h-dvh flex-col md:flex-row">
  <nav
    aria-label="Views"
    class="flex shrink-0 overflow-x-auto border-line max-md:order-last max-md:sticky max-md:bottom-0 max-md:z-30 max-md:border-t max-md:bg-paper print:hidden md:sticky md:top-0 md:h-dvh md:w-[152px] md:flex-col md:border-r md:py-5"
  >
    <a
      href={p('/')}
      class="hidden items-center gap-2 px-5 pb-6 text-lg font-semibold text-ink no-underline md:flex"
    >
      <svg viewBox="0 0 26 14" class="h-3.5 w-6.5" aria-hidden="true">
        <path d="M1 7h24M13 2v10" stroke="var(--faint)" stroke-width="1.5" />
        <circle cx="13" cy="7" r="3.6" fill="var(--accent)" />
      </svg>
      Choir
    </a>
    {#each views as { path, word, icon: Icon } (path)}
      <a
        href={p(path)}
        aria-current={here(path) ? 'page' : undefined}
        class="flex items-center gap-2.5 px-5 py-2 text-ink no-underline hover:bg-sunken max-md:min-w-[72px] max-md:flex-1 max-md:flex-col max-md:gap-0.5 max-md:px-2 max-md:text-xs {here(
          path,
        )
          ? 'bg-accent-wash font-semibold'
          : ''}"
      >
        <Icon size={16} strokeWidth={1.75} aria-hidden="true" />
        {word}
      </a>
    {/each}
    <div class="hidden flex-1 md:block"></div>
    <div class="hidden flex-col gap-2 px-5 text-sm text-faint md:flex">
      <label class="flex flex-col gap-1">
        Look
        <select
          class="field py-0 text-sm"
          value={chosen}
          onchange={(e) => choose(e.currentTarget.value as Theme)}
        >
          <option value="system">as the system</option>
          <option value="light">light</option>
          <option value="dark">dark</option>
        </select>
      </label>
      <span
        class="truncate"
        title="{session.user}, {session.role.toLowerCase()}{session.places.length > 0
          ? ` in ${session.places.join(', ')}`
          : ''}">{session.user}</span
      >
      <button class="act text-sm" onclick={signOut}>Sign out</button>
    </div>
  </nav>
  <div class="min-w-0 flex-1">
    <div class="flex items-center gap-4 border-b border-line px-4 py-2 md:px-10 print:hidden">
      <div class="max-w-[640px] flex-1"><SelectionBox value={select} onchoose={chooseCameras} /></div>
      {#if overview.data && overview.data.waiting > 0}
        <a
          href={p('/rollouts') + '?select=state:waiting'}
          class="flex shrink-0 items-center gap-2 text-sm text-waiting"
          title="Said here and not on the recorders yet"
        >
          <svg viewBox="0 0 12 12" class="size-3" aria-hidden="true">
            <circle cx="6" cy="6" r="4" fill="none" stroke="currentColor" stroke-width="2" />
          </svg>
          <span aria-hidden="true"
            >{number(overview.data.waiting)}<span class="max-sm:hidden">&nbsp;waiting</span></span
          >
          <span class="sr-only">{count(overview.data.waiting, 'camera')} waiting to be given out</span>
        </a>
      {/if}
      {#if inbox.data && inbox.data.length > 0}
        <a href={p('/inbox')} class="flex shrink-0 items-center gap-2 text-sm" title="What waits for you">
          <Tray size={16} strokeWidth={1.75} aria-hidden="true" />
          <span aria-hidden="true">{inbox.data.length}<span class="max-sm:hidden">&nbsp;for you</span></span>
          <span class="sr-only">{count(inbox.data.length, 'thing')} for you</span>
        </a>
      {/if}
      <button class="act text-sm md:hidden" onclick={signOut}>Sign out</button>
    </div>
    <main id="content" tabindex="-1" class="px-4 py-8 md:px-10">
      <Router />
    </main>
  </div>
</div>
