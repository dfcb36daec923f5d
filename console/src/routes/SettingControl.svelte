<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { words } from '../lib/edit/template-draft.svelte';

  /** The control that fits a scalar setting; an empty one says nothing here. */
  let {
    setting,
    value,
    describedby,
    onset,
    onclear,
  }: {
    setting: Schemas['SettingView'];
    value: unknown;
    describedby: string;
    onset: (value: string | number) => void;
    onclear: () => void;
  } = $props();

  const text = $derived(words(value));
  const bare = $derived(
    setting.unit && text.endsWith(setting.unit) ? text.slice(0, -setting.unit.length) : text,
  );
  const level = $derived(/^\d+(\.\d+)?$/.test(text) ? Number(text) : undefined);

  function take(given: string) {
    const trimmed = given.trim();
    if (trimmed === '') {
      onclear();
    } else if (setting.kind === 'amount') {
      onset(/^[\d.]+$/.test(trimmed) ? trimmed + setting.unit : trimmed);
    } else if (setting.kind === 'share') {
      onset(/^[\d.]+$/.test(trimmed) ? trimmed + '%' : trimmed);
    } else {
      onset(/^\d+$/.test(trimmed) ? Number(trimmed) : trimmed);
    }
  }
</script>

{#if setting.kind === 'on-off' || setting.kind === 'choice'}
  <select
    class="field w-44"
    name={setting.key}
    aria-label={setting.title}
    aria-describedby={describedby}
    value={text}
    onchange={(e) => take(e.currentTarget.value)}
  >
    <option value="">not said here</option>
    {#each setting.choices as choice (choice)}<option value={choice}>{choice}</option>{/each}
  </select>
{:else if setting.kind === 'sensitivity'}
  <div class="flex flex-wrap items-center gap-2">
    <input
      type="range"
      min="0"
      max="100"
      class="w-40 accent-accent"
      aria-label="{setting.title}, 0 to 100"
      value={level ?? 50}
      onchange={(e) => onset(Number(e.currentTarget.value))}
    />
    <input
      class="field w-32"
      name={setting.key}
      aria-label={setting.title}
      aria-describedby={describedby}
      list="sensitivities"
      value={text}
      placeholder="not said here"
      onchange={(e) => take(e.currentTarget.value)}
    />
    <datalist id="sensitivities"
      ><option value="auto"></option><option value="auto, else 55"></option></datalist
    >
  </div>
{:else}
  <div class="flex items-center gap-2">
    <input
      class="field {setting.kind === 'amount' || setting.kind === 'share'
        ? 'w-28 text-right'
        : 'w-64 max-w-full'}"
      name={setting.key}
      aria-label={setting.title}
      aria-describedby={describedby}
      inputmode={setting.kind === 'amount' || setting.kind === 'share' ? 'decimal' : 'text'}
      value={setting.kind === 'share' ? text.replace(/%$/, '') : bare}
      placeholder="not said here"
      spellcheck="false"
      onchange={(e) => take(e.currentTarget.value)}
    />
    {setting.kind === 'share' ? '%' : setting.unit}
  </div>
{/if}
