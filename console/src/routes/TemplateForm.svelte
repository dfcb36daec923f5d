<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { cameraTerm, nodeName, segments } from '../lib/camera';
  import type { TemplateDraft } from '../lib/edit/template-draft.svelte';
  import { groupTerm } from '../lib/format';
  import { chain, saidAt, saidUnder } from './said-around';
  import SettingEditor from './SettingEditor.svelte';

  /**
   * What a template says and inherits first; what nobody speaks of stands in one list from which it is taken when somebody wants to.
   * Areas are shown on the picture of a camera that it reaches.
   */
  let { draft, name, usedAt }: { draft: TemplateDraft; name: string; usedAt: string[] } = $props();

  const SECTIONS = [
    { key: 'motion', title: 'How motion is detected' },
    { key: 'recording', title: 'When and how is recorded' },
    { key: 'response', title: 'What else an event does' },
  ];
  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/v1/settings')),
    staleTime: Infinity,
  }));
  const others = createQuery(() => ({
    queryKey: ['templates'],
    queryFn: () => ask(api.GET('/api/v1/templates')),
  }));
  const textOf = async (base: string) =>
    (await ask(api.GET('/api/v1/templates/{name}', { params: { path: { name: base } } }))).text;
  const under = createQuery(() => ({
    queryKey: ['base', draft.base],
    enabled: draft.base !== '',
    queryFn: () => chain(draft.base, textOf),
  }));

  const at = $derived(usedAt[0] ?? '');
  const samples = createQuery(() => ({
    queryKey: ['samples', at],
    enabled: at !== '',
    queryFn: () =>
      ask(
        api.GET('/api/v1/cameras', {
          params: { query: { select: nodeName(at) === at ? groupTerm(at) : cameraTerm(at), limit: 40 } },
        }),
      ),
  }));
  let chosen = $state('');
  const sample = $derived(chosen || samples.data?.items[0]?.camera || '');
  const camera = createQuery(() => ({
    queryKey: ['camera', sample],
    enabled: sample !== '',
    queryFn: () =>
      ask(api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path: segments(sample) } })),
  }));

  const around = (key: string) =>
    saidUnder(draft.base === '' ? [] : (under.data ?? []), key) ??
    (camera.data && saidAt(camera.data, name, key));

  /** What somebody began to say. */
  let begun = $state<string[]>([]);
  let find = $state('');
  const speaks = (key: string) => draft.get(key) !== undefined || draft.isUnset(key);
  const shown = $derived(
    (settings.data ?? []).filter(
      (s) => speaks(s.key) || begun.includes(s.key) || around(s.key) !== undefined,
    ),
  );
  const silent = $derived((settings.data ?? []).filter((s) => !shown.includes(s)));
  const found = $derived(
    silent.filter((s) =>
      `${s.title} ${s.key} ${s.meaning}`.toLowerCase().includes(find.trim().toLowerCase()),
    ),
  );
</script>

<div class="min-w-0">
  <div class="mb-4 flex flex-wrap items-end gap-4">
    <label class="min-w-[200px] flex-1"
      ><span class="head mb-1 block">Title</span>
      <input
        class="field w-full"
        name="title"
        maxlength="200"
        value={draft.title}
        onchange={(e) => (draft.title = e.currentTarget.value.trim())}
      /></label
    >
    <label
      ><span class="head mb-1 block">Extends</span>
      <select
        class="field"
        name="extends"
        value={draft.base}
        onchange={(e) => (draft.base = e.currentTarget.value)}
      >
        <option value="">no other template</option>
        {#each (others.data ?? []).filter((t) => t.name !== name) as t (t.name)}<option value={t.name}
            >{t.name}</option
          >{/each}
      </select></label
    >
  </div>
  {#if samples.data && samples.data.items.length > 0}
    <label class="mb-4 block text-sm"
      >Pictures and areas are shown for
      <select class="field max-w-full py-0" bind:value={chosen}>
        <option value="">the first camera</option>
        {#each samples.data.items as c (c.camera)}<option value={c.camera}>{c.camera} {c.label}</option
          >{/each}
      </select></label
    >
  {/if}
  {#each SECTIONS as section (section.key)}
    {@const here = shown.filter((s) => s.key.startsWith(section.key + '.'))}
    {#if here.length > 0}
      <section class="mb-8" aria-labelledby="section-{section.key}">
        <h2 id="section-{section.key}" class="mb-1 text-lg font-semibold">{section.title}</h2>
        {#each here as setting (setting.key)}
          <SettingEditor
            {draft}
            {setting}
            inherited={around(setting.key)}
            {sample}
            begun={begun.includes(setting.key)}
          />
        {/each}
      </section>
    {/if}
  {/each}
  {#if silent.length > 0}
    <section class="mb-8" aria-labelledby="silent">
      <div class="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h2 id="silent" class="text-lg font-semibold">What it does not speak of</h2>
        <input
          class="field w-56 py-0 text-sm"
          type="search"
          placeholder="find a setting"
          aria-label="Find a setting"
          bind:value={find}
        />
      </div>
      <ul class="grid grid-cols-1 gap-x-6 sm:grid-cols-2">
        {#each found as setting (setting.key)}
          <li class="border-b border-line/60">
            <button
              type="button"
              class="flex w-full items-baseline gap-3 py-2 text-left hover:bg-raised"
              onclick={() => begun.push(setting.key)}
            >
              <span class="w-36 shrink-0 font-semibold"
                ><span class="sr-only">Say it here </span>{setting.title}</span
              >
              <span class="min-w-0 flex-1 truncate text-sm text-faint" title={setting.meaning}
                >{setting.meaning}</span
              >
            </button>
          </li>
        {:else}
          <li class="py-2 text-sm text-faint">No setting is called that.</li>
        {/each}
      </ul>
    </section>
  {/if}
</div>
