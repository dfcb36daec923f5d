<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { parse as parseYaml } from 'yaml';
  import { api, ask } from '../../lib/api/client';
  import { overridesAt } from '../../lib/api/said';
  import { Attempt } from '../../lib/attempt.svelte';
  import { TemplateDraft } from '../../lib/edit/template-draft.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import DraftProof from '../DraftProof.svelte';
  import DraftText from '../DraftText.svelte';
  import { percent, type Tried } from './levels';

  /**
   * What was found, as an exception at the camera with the trial as its reason, or into a template for all that use it. Areas
   * do not travel, so they stay at the camera.
   */
  let {
    open = $bindable(),
    camera,
    clip,
    found,
    area,
    origins,
    said,
    ondone,
  }: {
    open: boolean;
    camera: string;
    clip: number;
    /** by area; the picture has no name */
    found: Record<string, Tried>;
    /** cells that are left out */
    area: string[];
    /** templates from which the camera has something */
    origins: string[];
    said: string;
    ondone: () => void;
  } = $props();

  const AREAS = 'motion.areas';
  const client = useQueryClient();
  const work = new Attempt();
  let because = $state('');
  let areaName = $state('restless');
  let where = $state('');

  const picture = $derived(found['']);
  const templates = $derived([...new Set(origins.filter(Boolean))].sort());
  const template = createQuery(() => ({
    queryKey: ['template', where],
    enabled: open && where !== '',
    queryFn: () => ask(api.GET('/api/v1/templates/{name}', { params: { path: { name: where } } })),
  }));
  /** The template's text with what was found. */
  const text = $derived.by(() => {
    if (where === '' || template.data?.name !== where || !picture) {
      return undefined;
    }
    const draft = new TemplateDraft(template.data.text);
    draft.set('motion.sensitivity', picture.sensitivity);
    draft.set('motion.threshold', `${picture.threshold}%`);
    return draft.text;
  });
  const touched = createQuery(() => ({
    queryKey: ['template-draft', text],
    enabled: text !== undefined,
    queryFn: ({ signal }) => ask(api.POST('/api/v1/template-drafts', { body: { text: text ?? '' }, signal })),
    gcTime: 0,
  }));

  $effect(() => {
    if (open) {
      because = `tried on clip ${clip}: ${said.charAt(0).toLowerCase()}${said.slice(1).replace(/\.$/, '')}`;
    }
  });

  const values = (t: Tried) => ({ sensitivity: String(t.sensitivity), threshold: `${t.threshold}%` });

  async function exception() {
    const node = `camera:${camera}`;
    const here = await overridesAt(node);
    const set: Record<string, string> = {};
    if (picture && where === '') {
      set['motion.sensitivity'] = values(picture).sensitivity;
      set['motion.threshold'] = values(picture).threshold;
    }
    const own = Object.entries(found).filter(([name]) => name !== '');
    if (area.length > 0 || own.length > 0) {
      const said = here.overrides.find((o) => o.key === AREAS && !o.until)?.value;
      const before = said ? (parseYaml(said) as Record<string, unknown>[]) : [];
      const mine = [
        ...own.map(([name, t]) => ({
          ...(before.find((a) => (a.watch ?? a.area) === name) ?? { area: name }),
          ...values(t),
        })),
        ...(area.length > 0 ? [{ ignore: areaName, cells: area }] : []),
      ] as Record<string, unknown>[];
      const names = mine.map((a) => a.watch ?? a.area ?? a.ignore);
      set[AREAS] = JSON.stringify([
        ...before.filter((a) => !names.includes(a.watch ?? a.area ?? a.ignore)),
        ...mine,
      ]);
    }
    if (Object.keys(set).length > 0) {
      await ask(
        api.POST('/api/v1/overrides', {
          params: { header: { 'If-Match': here.version } },
          body: { node, fixed: false, set, because },
        }),
      );
    }
  }

  const save = (e: SubmitEvent) => {
    e.preventDefault();
    return work.run(async () => {
      // First, since it can be done again when the template was changed by somebody else meanwhile.
      await exception();
      if (text !== undefined && template.data) {
        await ask(
          api.PUT('/api/v1/templates/{name}', {
            params: { path: { name: where }, header: { 'If-Match': `"${template.data.revision}"` } },
            body: { text },
          }),
        );
      }
      await client.invalidateQueries();
    }, ondone);
  };
</script>

<Modal bind:open title="Into the policy" description="It waits until it is given out.">
  <form onsubmit={save} class="grid gap-4">
    <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
      {#each Object.entries(found) as [name, t] (name)}
        <dt class="text-faint">{name === '' ? 'Sensitivity, threshold' : name}</dt>
        <dd>{t.sensitivity}, {percent(t.threshold)}</dd>
      {/each}
      {#if area.length > 0}
        <dt class="text-faint">Area left out</dt>
        <dd>{area.join('').split('#').length - 1} cells of {area.length * (area[0]?.length ?? 0)}</dd>
      {/if}
    </dl>
    {#if picture && templates.length > 0}
      <label class="text-sm"
        >Where<br /><select class="field w-full" name="where" bind:value={where}>
          <option value="">this camera alone, as an exception</option>
          {#each templates as name (name)}<option value={name}
              >the template {name}, for all that use it</option
            >{/each}
        </select></label
      >
    {/if}
    {#if where !== ''}
      <div class="border-l-2 border-accent pl-4">
        <Trouble error={template.error ?? touched.error ?? undefined} />
        {#if !template.error && !touched.error}<DraftText trial={touched.data} />{/if}
        {#if text !== undefined}<DraftProof name={where} {text} />{/if}
        {#if area.length > 0}
          <p class="mt-2 text-sm text-faint">The area is of this picture and stays with this camera.</p>
        {/if}
      </div>
    {/if}
    {#if area.length > 0}
      <label class="text-sm"
        >Name of the area<br /><input
          class="field w-64"
          bind:value={areaName}
          required
          maxlength="40"
        /></label
      >
    {/if}
    {#if where === '' || area.length > 0}
      <label class="text-sm"
        >Because<br /><input class="field w-full" bind:value={because} required maxlength="400" /></label
      >
    {/if}
    <Trouble error={work.error} />
    <div class="flex gap-3">
      <button class="act act-main" disabled={work.busy || (where !== '' && text === undefined)}
        >{where === '' ? 'Make it an exception' : `Save ${where} as a new revision`}</button
      >
      <button type="button" class="act" onclick={() => (open = false)}>Not now</button>
    </div>
  </form>
</Modal>
