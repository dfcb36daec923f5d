<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { isLarge } from '../lib/edit/kinds';
  import Modal from '../lib/ui/Modal.svelte';

  /**
   * An exception at one node, or the same one at many cameras.
   *
   * @param at where, in words
   * @param startKey the one setting that is meant; where it is empty it is chosen here
   * @param select many cameras instead of the one node
   * @param camera the one that the node is, with what other layers say there
   * @param sample a camera whose picture areas are drawn on, where the node is none
   */
  let {
    open = $bindable(),
    at,
    description,
    node = '',
    select = '',
    startKey = '',
    camera,
    sample = '',
    ondone,
  }: {
    open: boolean;
    at: string;
    description: string;
    node?: string;
    select?: string;
    startKey?: string;
    camera?: Schemas['CameraView'] | undefined;
    sample?: string;
    ondone: () => void;
  } = $props();

  const settings = createQuery(() => ({
    queryKey: ['settings'],
    queryFn: () => ask(api.GET('/api/v1/settings')),
    staleTime: Infinity,
  }));
  let key = $derived(startKey || 'motion.sensitivity');
  const setting = $derived(settings.data?.find((s) => s.key === key));
</script>

<Modal
  bind:open
  title={startKey && setting ? `${setting.title} at ${at}` : `Override at ${at}`}
  {description}
  wide={!!setting && isLarge(setting.kind)}
>
  {#if !startKey}
    <label class="mb-4 block">
      <span class="head mb-1 block">Setting</span>
      <select class="field w-full max-w-[640px]" bind:value={key} name="key">
        {#each settings.data ?? [] as s (s.key)}<option value={s.key}>{s.title} ({s.key})</option>{/each}
      </select>
    </label>
  {/if}
  {#if setting}
    {#await import('./OverrideForm.svelte')}
      <p class="text-faint" role="status">Loading …</p>
    {:then { default: OverrideForm }}
      {#key key}
        <OverrideForm {setting} {node} {select} {camera} {sample} {ondone} />
      {/key}
    {/await}
  {/if}
</Modal>
