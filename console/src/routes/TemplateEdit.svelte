<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { blockNavigation } from 'sv-router';
  import { parse as parseYaml } from 'yaml';
  import { api, ask, Refused, type Schemas } from '../lib/api/client';
  import { TemplateDraft } from '../lib/edit/template-draft.svelte';
  import { print, silent } from '../lib/edit/week-text';
  import { count, groupTerm } from '../lib/format';
  import { person } from '../lib/session.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { navigate, p, route } from '../router';
  import Conflict from './Conflict.svelte';
  import SettingEditor from './SettingEditor.svelte';
  import TrialText from './TrialText.svelte';

  const name = $derived(route.params.name ?? '');
  const client = useQueryClient();
  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/v1/settings')),
    staleTime: Infinity,
  }));
  const template = createQuery(() => ({
    queryKey: ['template', name, 'edit'],
    queryFn: () => ask(api.GET('/api/v1/templates/{name}', { params: { path: { name } } })),
    staleTime: Infinity,
    gcTime: 0,
  }));

  let draft = $state.raw<TemplateDraft>();
  let revision = $state(0);
  let began = $state('');
  $effect(() => {
    if (template.data && !draft) {
      draft = new TemplateDraft(template.data.text);
      revision = template.data.revision;
      began = template.data.text;
    }
  });

  const others = createQuery(() => ({
    queryKey: ['templates'],
    queryFn: () => ask(api.GET('/api/v1/templates')),
  }));
  const base = $derived(draft?.base ?? '');
  const bases = createQuery(() => ({
    queryKey: ['base', base],
    enabled: base !== '',
    queryFn: () => chain(base),
  }));

  /** What the template extends, nearest first. */
  async function chain(first: string): Promise<{ name: string; said: Record<string, unknown> }[]> {
    const found: { name: string; said: Record<string, unknown> }[] = [];
    for (let next = first; next && found.length < 20 && !found.some((f) => f.name === next);) {
      const t = await ask(api.GET('/api/v1/templates/{name}', { params: { path: { name: next } } }));
      const said = parseYaml(t.text) as Record<string, unknown>;
      found.push({ name: next, said });
      next = typeof said.extends === 'string' ? said.extends : '';
    }
    return found;
  }

  function inherited(key: string): { value: unknown; from: string } | undefined {
    const [section = '', setting = ''] = [key.slice(0, key.indexOf('.')), key.slice(key.indexOf('.') + 1)];
    for (const b of bases.data ?? []) {
      const value = (b.said[section] as Record<string, unknown> | undefined)?.[setting];
      if (value !== undefined) {
        return { value, from: b.name };
      }
    }
    return undefined;
  }

  const at = $derived(template.data?.usedAt[0] ?? '');
  const samples = createQuery(() => ({
    queryKey: ['samples', at],
    enabled: at !== '',
    queryFn: () =>
      ask(
        api.GET('/api/v1/cameras', {
          params: { query: { select: at.startsWith('fleet') ? groupTerm(at) : `camera:${at}`, limit: 40 } },
        }),
      ),
  }));
  let sample = $state('');
  const shown = $derived(sample || samples.data?.items[0]?.camera || '');

  const seen = createQuery(() => ({
    queryKey: ['camera', shown],
    enabled: shown !== '',
    queryFn: () => {
      const [recorder = '', channel = ''] = shown.split('/');
      return ask(
        api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path: { recorder, channel } } }),
      );
    },
  }));

  /** What other layers say at the camera that is shown, where neither this template nor its base speaks. */
  function around(key: string): { value: unknown; from: string } | undefined {
    const row = seen.data?.settings.find((s) => s.key === key);
    if (!row?.asked) {
      return undefined;
    }
    const origin = row.origins.find((o) => o.template !== name);
    const beaten = row.beaten.find((b) => b.origin.template !== name);
    if (key === 'recording.week') {
      const lines = (seen.data?.week.asked ?? [])
        .filter((r) => r.origin?.template !== name || r.beaten.length > 0)
        .map((r) => ({
          ...r,
          triggers: r.origin?.template === name ? (r.beaten[0]?.value ?? '') : r.triggers,
        }));
      return lines.length > 0 ? { value: weekWords(lines), from: `other layers at ${shown}` } : undefined;
    }
    const named = (o: { template?: string }) => `${o.template ?? 'an override'} at ${shown}`;
    return beaten
      ? { value: beaten.value, from: named(beaten.origin) }
      : origin
        ? { value: row.asked, from: named(origin) }
        : undefined;
  }

  function weekWords(runs: { from: number; to: number; triggers: string }[]): string {
    const minutes = silent();
    runs.forEach((r) => minutes.fill(r.triggers, r.from, r.to));
    return print(minutes).replaceAll('\n', '; ');
  }

  let trial = $state<Schemas['TemplateTrial']>();
  let error = $state<Error | undefined>();
  let busy = $state(false);
  let theirs = $state<Schemas['TemplateView']>();

  $effect(() => {
    const text = draft?.text;
    if (text === undefined || draft?.fault || !person.may('EDITOR')) {
      return;
    }
    const timer = setTimeout(() => {
      ask(api.POST('/api/v1/template-trials', { body: { text } }))
        .then((t) => {
          trial = t;
          error = undefined;
        })
        .catch((e: Error) => {
          trial = undefined;
          error = e;
        });
    }, 400);
    return () => clearTimeout(timer);
  });

  async function save() {
    if (!draft) {
      return;
    }
    busy = true;
    error = undefined;
    try {
      await ask(
        api.PUT('/api/v1/templates/{name}', {
          params: { path: { name }, header: { 'If-Match': `"${revision}"` } },
          body: { text: draft.text },
        }),
      );
      draft.saved();
      await client.invalidateQueries();
      navigate('/templates/:name', { params: { name } });
    } catch (e) {
      if (e instanceof Refused && e.status === 412) {
        theirs = await ask(api.GET('/api/v1/templates/{name}', { params: { path: { name } } }));
      } else {
        error = e as Error;
      }
    } finally {
      busy = false;
    }
  }

  function take(text: string, from: Schemas['TemplateView']) {
    draft?.type(text);
    revision = from.revision;
    began = from.text;
    theirs = undefined;
  }

  const leave = () =>
    !draft?.changed || window.confirm('Leave without saving? What you changed here would be lost.');
  $effect(() =>
    blockNavigation({
      beforeUnload: () => !draft?.changed,
      onNavigate: leave,
    }),
  );

  function key(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 's') {
      event.preventDefault();
      void save();
    }
  }

  const SECTIONS = [
    { key: 'motion', title: 'How motion is detected' },
    { key: 'recording', title: 'When and how is recorded' },
    { key: 'response', title: 'What else an event does' },
  ];
</script>

<svelte:window onkeydown={key} />
<Page
  question="What should {name} say?"
  answer={draft?.changed ? 'Changed and not saved yet.' : 'Nothing is changed yet.'}
>
  {#snippet act()}
    <Allowed to="EDITOR">
      <button class="act" onclick={() => draft?.undo()} disabled={!draft?.canUndo}>Undo</button>
      <button class="act" onclick={() => draft?.redo()} disabled={!draft?.canRedo}>Redo</button>
      <button class="act act-main" onclick={save} disabled={busy || !draft?.changed || !!draft.fault}
        >{busy ? 'Saving …' : 'Save as a new revision'}</button
      >
    </Allowed>
  {/snippet}
  <Loaded query={template}>
    {#if !person.may('EDITOR')}
      <Empty title="Your role, {person.role}, may look at templates and not change them.">
        <a href={p('/templates/:name', { params: { name } })}>{name}</a> as it is.
      </Empty>
    {:else if draft}
      {@const d = draft}
      {#if theirs}
        <Conflict {began} mine={d.text} {theirs} ontake={take} />
      {/if}
      <section class="mb-6 border-l-2 border-accent pl-4" aria-labelledby="touch">
        <h2 id="touch" class="head">What publishing would touch</h2>
        <TrialText {trial} />
        <Trouble {error} />
      </section>
      <div class="grid gap-10 2xl:grid-cols-[2fr_1fr]">
        <div class="min-w-0">
          <div class="mb-4 flex flex-wrap items-end gap-4">
            <label class="min-w-[200px] flex-1"
              ><span class="head mb-1 block">Title</span>
              <input
                class="field w-full"
                name="title"
                maxlength="200"
                value={d.title}
                onchange={(e) => (d.title = e.currentTarget.value.trim())}
              /></label
            >
            <label
              ><span class="head mb-1 block">Extends</span>
              <select
                class="field"
                name="extends"
                value={d.base}
                onchange={(e) => (d.base = e.currentTarget.value)}
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
              <select class="field py-0" bind:value={sample}>
                <option value="">the first camera</option>
                {#each samples.data.items as c (c.camera)}<option value={c.camera}
                    >{c.camera} {c.label}</option
                  >{/each}
              </select></label
            >
          {/if}
          {#each SECTIONS as section (section.key)}
            <section class="mb-8" aria-labelledby="section-{section.key}">
              <h2 id="section-{section.key}" class="mb-1 text-lg font-semibold">{section.title}</h2>
              {#each (settings.data ?? []).filter( (s) => s.key.startsWith(section.key + '.') ) as setting (setting.key)}
                <SettingEditor
                  draft={d}
                  {setting}
                  inherited={inherited(setting.key) ?? around(setting.key)}
                  sample={shown}
                />
              {/each}
            </section>
          {/each}
        </div>
        <aside class="min-w-0 2xl:sticky 2xl:top-4 2xl:self-start">
          <h2 class="mb-2 text-lg font-semibold">The same as text</h2>
          <textarea
            class="field native h-96 w-full leading-5"
            name="text"
            aria-label="The template as text"
            spellcheck="false"
            value={d.text}
            oninput={(e) => d.type(e.currentTarget.value)}></textarea>
          {#if d.fault}<p class="text-sm text-loss" role="alert">{d.fault}</p>{/if}
          <p class="mt-1 text-xs text-faint">
            {count(d.text.split('\n').length - 1, 'line')}; the form follows it.
          </p>
        </aside>
      </div>
    {/if}
  </Loaded>
</Page>
