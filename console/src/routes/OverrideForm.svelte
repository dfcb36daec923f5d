<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { parse as parseYaml } from 'yaml';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { overridesAt } from '../lib/api/said';
  import { words } from '../lib/edit/template-draft.svelte';
  import { dayIn } from '../lib/format';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { above, fixedAbove } from './above';
  import ValueEditor from './ValueEditor.svelte';

  let {
    setting,
    node,
    select,
    camera,
    sample,
    ondone,
  }: {
    setting: Schemas['SettingView'];
    node: string;
    select: string;
    camera: Schemas['CameraView'] | undefined;
    sample: string;
    ondone: () => void;
  } = $props();

  let value = $state.raw<unknown>();
  let nobody = $state(false);
  let because = $state('');
  let until = $state('');
  let fixed = $state(false);
  let busy = $state(false);
  let error = $state<Error | undefined>();
  let begun = $state(false);
  /** The version of what is said at the node when the form began. */
  let seen = '';

  const own = createQuery(() => ({
    queryKey: ['own', node, setting.key],
    enabled: node !== '',
    gcTime: 0,
    queryFn: async () => {
      const said = await overridesAt(node);
      const here = said.overrides.filter((o) => o.key === setting.key);
      return { override: here.find((o) => !o.until) ?? here[0], version: said.version };
    },
  }));
  const ready = $derived(node === '' || begun);
  const atValue = $derived(error?.message.startsWith(setting.key) ?? false);

  // The form begins with what is put here already.
  $effect(() => {
    if (own.data !== undefined && !begun) {
      const said = own.data.override;
      seen = own.data.version;
      value = said?.value === undefined ? undefined : parseYaml(said.value);
      nobody = said !== undefined && said.value === undefined;
      because = said?.because ?? '';
      until = said?.until ?? '';
      fixed = said?.fixed ?? false;
      begun = true;
    }
  });

  const fixedBy = $derived(fixedAbove(camera, node, setting.key));
  const past = $derived(until !== '' && until < dayIn(0));

  async function save(event: SubmitEvent) {
    event.preventDefault();
    if (value === undefined && !nobody) {
      error = new Error(`${setting.key}: say a value; expected ${setting.expected}`);
      return;
    }
    busy = true;
    error = undefined;
    try {
      const text = value !== null && typeof value === 'object' ? JSON.stringify(value) : words(value);
      const said = {
        ...(nobody ? { unset: [setting.key] } : { set: { [setting.key]: text } }),
        because,
        ...(until ? { until } : {}),
      };
      await (select
        ? ask(api.POST('/api/v1/overrides-of-many', { body: { select, ...said } }))
        : ask(
            api.POST('/api/v1/overrides', {
              params: { header: { 'If-Match': seen } },
              body: { node, fixed, ...said },
            }),
          ));
      ondone();
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }
</script>

<form onsubmit={save} class="grid grid-cols-1 gap-4">
  <div>
    <p id="value-help" class="mb-3 border-l-2 border-line pl-3 text-xs text-faint">
      {setting.meaning} Expected: {setting.expected}.<br />
      <span class="font-semibold text-loss">Loss</span> · {setting.loss}
      <span class="ml-2 font-semibold text-waste">Waste</span> · {setting.waste}
    </p>
    {#if nobody}
      <p class="text-sm text-faint">Farther layers say nothing of it here any more: nobody governs it.</p>
    {:else if ready}
      <ValueEditor
        {setting}
        {value}
        camera={camera?.row.camera ?? sample}
        above={above(camera, node, setting.key)}
        describedby="value-help"
        onset={(v) => (value = v)}
        onclear={() => (value = undefined)}
      />
    {/if}
    {#if atValue}<div class="mt-2"><Trouble {error} /></div>{/if}
    <div class="mt-3 flex flex-wrap gap-x-6 gap-y-1 text-sm">
      <label class="flex items-center gap-2"
        ><input type="checkbox" bind:checked={nobody} name="nobody" />leave it to nobody: drop what farther
        layers say</label
      >
      {#if !select}
        <label class="flex items-center gap-2"
          ><input type="checkbox" bind:checked={fixed} name="fixed" />fixed: nothing nearer to a camera may
          change it</label
        >
      {/if}
    </div>
  </div>
  {#if fixedBy || past}
    <ul class="border-l-2 border-waste pl-3 text-sm" role="status">
      {#if fixedBy}<li>
          It is fixed by the {fixedBy}: what is said here has no effect for as long as it is.
        </li>{/if}
      {#if past}<li>{until} is past: it would end before it began.</li>{/if}
    </ul>
  {/if}
  {#if !atValue}<Trouble {error} />{/if}
  <div class="flex flex-wrap items-end gap-4 border-t border-line pt-4">
    <label class="min-w-[240px] flex-1">
      <span class="head mb-1 block">Because</span>
      <input class="field w-full" bind:value={because} name="because" required maxlength="500" />
    </label>
    <label>
      <span class="head mb-1 block">Until, if it shall end by itself</span>
      <input class="field" type="date" bind:value={until} name="until" />
    </label>
    <button class="act act-main" disabled={busy}>{busy ? 'Saving …' : 'Save the override'}</button>
  </div>
</form>
