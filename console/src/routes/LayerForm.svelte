<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { parse as parseYaml } from 'yaml';
  import { api, ask, type Schemas } from '../lib/api/client';
  import AreaEditor from '../lib/edit/AreaEditor.svelte';
  import { AreaDraft, areasOf } from '../lib/edit/area-draft.svelte';
  import { WeekDraft } from '../lib/edit/week-draft.svelte';
  import { isTriggers } from '../lib/edit/week-text';
  import WeekEditor from '../lib/edit/WeekEditor.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** A camera's own layer of its week or of its areas, drawn over what the layers above say. */
  let {
    camera,
    key,
    ondone,
  }: { camera: Schemas['CameraView']; key: 'recording.week' | 'motion.areas'; ondone: () => void } = $props();

  const name = $derived(camera.row.camera);
  const own = createQuery(() => ({
    queryKey: ['own', name, key],
    gcTime: 0,
    queryFn: async () => {
      const all = await ask(api.GET('/api/v1/overrides', { params: { query: { node: `camera:${name}` } } }));
      return all.find((o) => o.key === key) ?? null;
    },
  }));
  let week = $state.raw<WeekDraft>();
  let areas = $state.raw<AreaDraft>();
  let because = $state('');
  let until = $state('');
  let busy = $state(false);
  let error = $state<Error | undefined>();

  $effect(() => {
    const said = own.data;
    if (said === undefined || week || areas) {
      return;
    }
    because = said?.because ?? '';
    until = said?.until ?? '';
    if (key === 'recording.week') {
      week = new WeekDraft((said?.value ?? '').split('; ').join('\n'), isTriggers);
    } else {
      areas = new AreaDraft(areasOf(parseYaml(said?.value ?? '[]')));
    }
  });

  /** What holds without this camera's own layer, also where that lies over it. */
  const inherited = $derived(
    camera.week.asked.flatMap((r) => {
      const triggers = r.origin?.node === name ? r.beaten[0]?.value : r.triggers;
      return triggers ? [{ from: r.from, to: r.to, triggers }] : [];
    }),
  );

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    error = undefined;
    try {
      const value = week ? week.text.split('\n').join('; ') : (areas?.text ?? '[]');
      await ask(
        api.POST('/api/v1/overrides', {
          body: {
            node: `camera:${name}`,
            set: { [key]: value },
            because,
            fixed: false,
            ...(until ? { until } : {}),
          },
        }),
      );
      ondone();
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }
</script>

{#if week}
  <WeekEditor draft={week} {inherited} />
{:else if areas}
  <AreaEditor
    draft={areas}
    camera={name}
    inherited={camera.areas.filter((a) => !a.origins.some((o) => o.node === name))}
  />
{:else}
  <p class="text-faint" role="status">Loading …</p>
{/if}
<form onsubmit={save} class="mt-4 flex flex-wrap items-end gap-4 border-t border-line pt-4">
  <label class="min-w-[240px] flex-1"
    ><span class="head mb-1 block">Because</span><input
      class="field w-full"
      bind:value={because}
      name="because"
      required
      maxlength="500"
    /></label
  >
  <label
    ><span class="head mb-1 block">Until, if it shall end by itself</span><input
      class="field"
      type="date"
      bind:value={until}
      name="until"
    /></label
  >
  <button class="act act-main" disabled={busy || !!week?.fault || week?.text === ''}
    >{busy ? 'Saving …' : 'Save the override'}</button
  >
</form>
<div class="mt-2"><Trouble {error} /></div>
