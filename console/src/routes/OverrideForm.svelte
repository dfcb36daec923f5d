<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** @param select many cameras instead of the one node */
  let {
    node,
    select = '',
    startKey = '',
    ondone,
  }: { node: string; select?: string; startKey?: string; ondone: () => void } = $props();

  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/v1/settings')),
    staleTime: Infinity,
  }));
  let key = $derived(startKey || 'motion.sensitivity');
  let value = $state('');
  let because = $state('');
  let until = $state('');
  let busy = $state(false);
  let error = $state<Error | undefined>();
  const setting = $derived(settings.data?.find((s) => s.key === key));

  async function save(event: SubmitEvent) {
    event.preventDefault();
    busy = true;
    error = undefined;
    try {
      const said = { set: { [key]: value }, because, ...(until ? { until } : {}) };
      await (select
        ? ask(api.POST('/api/v1/overrides-of-many', { body: { select, ...said } }))
        : ask(api.POST('/api/v1/overrides', { body: { node, fixed: false, ...said } })));
      ondone();
    } catch (e) {
      error = e as Error;
    } finally {
      busy = false;
    }
  }
</script>

<form onsubmit={save} class="grid gap-4">
  <label>
    <span class="head mb-1 block">Setting</span>
    <select class="field w-full" bind:value={key} name="key" onchange={() => (value = '')}>
      {#each settings.data ?? [] as s (s.key)}<option value={s.key}>{s.title} ({s.key})</option>{/each}
    </select>
  </label>
  <label>
    <span class="head mb-1 block">Value</span>
    {#if setting && setting.choices.length > 0}
      <select class="field w-full" bind:value name="value" required aria-describedby="value-help">
        <option value="" disabled>choose …</option>
        {#each setting.choices as choice (choice)}<option value={choice}>{choice}</option>{/each}
      </select>
    {:else}
      <input
        class="field w-full"
        bind:value
        name="value"
        required
        aria-describedby="value-help"
        spellcheck="false"
      />
    {/if}
    <span id="value-help" class="mt-1 block text-xs text-faint">
      {setting ? `${setting.meaning} Expected: ${setting.expected}.` : ''}
    </span>
  </label>
  {#if setting}
    <p class="border-l-2 border-line pl-3 text-xs text-faint">
      <span class="font-semibold text-loss">Loss</span> · {setting.loss}<br />
      <span class="font-semibold text-waste">Waste</span> · {setting.waste}
    </p>
  {/if}
  <label>
    <span class="head mb-1 block">Because</span>
    <input class="field w-full" bind:value={because} name="because" required maxlength="500" />
  </label>
  <label>
    <span class="head mb-1 block">Until, if it shall end by itself</span>
    <input class="field" type="date" bind:value={until} name="until" />
  </label>
  <Trouble {error} />
  <div><button class="act act-main" disabled={busy}>{busy ? 'Saving …' : 'Save the override'}</button></div>
</form>
