<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { areasOf } from '../lib/edit/area/area-draft.svelte';
  import { plansOf } from '../lib/edit/special-days';
  import { isLarge } from '../lib/edit/kinds';
  import { weekLines, words, type TemplateDraft } from '../lib/edit/template-draft.svelte';
  import { runsOf } from '../lib/edit/week/week-draft.svelte';
  import { isLevel, isTriggers, parse } from '../lib/edit/week/week-text';
  import ValueEditor from './ValueEditor.svelte';

  /** One setting of a template: what is said here, what the base says, and the control that fits it. */
  let {
    draft,
    setting,
    inherited,
    sample,
    begun = false,
  }: {
    draft: TemplateDraft;
    setting: Schemas['SettingView'];
    inherited: { value: unknown; from: string } | undefined;
    sample: string;
    /** Somebody is about to say it here. */
    begun?: boolean;
  } = $props();

  const value = $derived(draft.get(setting.key));
  const set = $derived(value !== undefined);
  const speaks = $derived(set || draft.isUnset(setting.key));
  const id = $derived(`help-${setting.key}`);
  const large = $derived(isLarge(setting.kind));
  // svelte-ignore state_referenced_locally
  let open = $state(begun);
  let explained = $state(false);

  const above = $derived.by(() => {
    if (setting.kind !== 'week' && setting.kind !== 'levels') {
      return [];
    }
    try {
      return runsOf(
        parse(weekLines(inherited?.value).text, setting.kind === 'levels' ? isLevel : isTriggers),
      );
    } catch {
      return [];
    }
  });

  const days = $derived(
    setting.kind === 'special-days'
      ? plansOf(inherited?.value).map((d) => ({ ...d, from: inherited?.from ?? '' }))
      : [],
  );

  const summary = $derived.by(() => {
    switch (setting.kind) {
      case 'areas':
        return areasOf(value)
          .map((a) => `${a.kind} ${a.name}`)
          .join(', ');
      case 'special-days':
        return words(value);
      default:
        return weekLines(value).text.replaceAll('\n', '; ');
    }
  });
</script>

<div
  class="border-b border-line/60 py-3 pl-3 {speaks
    ? 'border-l-4 border-l-accent'
    : 'border-l-4 border-l-transparent'}"
>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <div class="flex w-40 items-baseline gap-1 font-semibold">
      {setting.title}
      <button
        type="button"
        class="min-w-6 text-sm font-normal text-faint hover:text-ink"
        aria-expanded={explained}
        aria-controls={id}
        onclick={() => (explained = !explained)}
        ><span aria-hidden="true">?</span><span class="sr-only">What {setting.title} means</span></button
      >
    </div>
    <div class="min-w-0 flex-1">
      {#if large}
        <button type="button" class="act text-sm" aria-expanded={open} onclick={() => (open = !open)}
          >{open ? 'Close' : set ? 'Change' : 'Say it here'}<span class="sr-only">
            {setting.title}</span
          ></button
        >
        <span class="ml-2 text-sm text-faint">{summary}</span>
      {:else}
        {@render control()}
      {/if}
    </div>
    <div class="flex items-center gap-3 text-sm">
      {#if set}
        <label class="flex items-center gap-1" title="Nothing nearer to a camera may change it"
          ><input
            type="checkbox"
            checked={draft.isFixed(setting.key)}
            onchange={(e) => draft.fix(setting.key, e.currentTarget.checked)}
          />fixed</label
        >
        <button type="button" class="text-accent underline" onclick={() => draft.clear(setting.key)}
          >take out<span class="sr-only"> {setting.title}</span></button
        >
      {:else if draft.isUnset(setting.key)}
        <span class="font-semibold">left to nobody</span>
        <button type="button" class="text-accent underline" onclick={() => draft.unset(setting.key, false)}
          >take out<span class="sr-only"> that {setting.title} is left to nobody</span></button
        >
      {:else if inherited}
        <span class="text-faint italic"
          >inherits {words(inherited.value).slice(0, 60)} from {inherited.from}</span
        >
        <button
          type="button"
          class="text-accent underline"
          title="Nobody governs it any more where this template is used, unless something nearer says it"
          onclick={() => draft.unset(setting.key, true)}
          >drop it<span class="sr-only"> from {setting.title}</span></button
        >
      {:else}
        <span class="text-faint">not said here</span>
      {/if}
    </div>
  </div>
  <p {id} class="mt-1 text-xs text-faint" hidden={!explained}>
    {setting.meaning}
    <span class="text-loss">Loss</span> · {setting.loss} <span class="text-waste">Waste</span> · {setting.waste}
  </p>
  {#if large && open}
    <div class="mt-3">{@render control()}</div>
  {/if}
</div>

{#snippet control()}
  <ValueEditor
    {setting}
    {value}
    camera={sample}
    above={{ runs: above, days, areas: [] }}
    alone
    describedby={id}
    onset={(v) => draft.set(setting.key, v)}
    onclear={() => draft.clear(setting.key)}
  />
{/snippet}
