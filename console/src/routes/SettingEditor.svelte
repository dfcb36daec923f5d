<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '../lib/api/client';
  import AreaEditor from '../lib/edit/AreaEditor.svelte';
  import { AreaDraft, areasOf } from '../lib/edit/area-draft.svelte';
  import { weekLines, weekValue, words, type TemplateDraft } from '../lib/edit/template-draft.svelte';
  import { runsOf, WeekDraft } from '../lib/edit/week-draft.svelte';
  import { isLevel, isTriggers, parse } from '../lib/edit/week-text';
  import WeekEditor from '../lib/edit/WeekEditor.svelte';
  import SettingControl from './SettingControl.svelte';

  /** One setting of a template: what is said here, what the base says, and the control that fits it. */
  let {
    draft,
    setting,
    inherited,
    sample,
  }: {
    draft: TemplateDraft;
    setting: Schemas['SettingView'];
    inherited: { value: unknown; from: string } | undefined;
    sample: string;
  } = $props();

  const value = $derived(draft.get(setting.key));
  const set = $derived(value !== undefined);
  const id = $derived(`help-${setting.key}`);
  const large = $derived(['week', 'areas'].includes(setting.kind));
  let open = $state(false);
  let week = $state.raw<WeekDraft>();
  let areas = $state.raw<AreaDraft>();

  const above = $derived.by(() => {
    try {
      return runsOf(parse(weekLines(inherited?.value).text, isTriggers));
    } catch {
      return [];
    }
  });

  function toggle() {
    open = !open;
    if (open && setting.kind === 'week') {
      week = new WeekDraft(weekLines(value).text, isTriggers);
    }
    if (open && setting.kind === 'areas') {
      areas = new AreaDraft(areasOf(value));
    }
  }

  $effect(() => {
    const text = week?.fault ? undefined : week?.text;
    if (text !== undefined) {
      untrack(() => {
        const now = weekLines(draft.get(setting.key));
        if (text !== now.text) {
          if (text === '') {
            draft.clear(setting.key);
          } else {
            draft.set(setting.key, weekValue(text, now.replace));
          }
        }
      });
    }
  });

  $effect(() => {
    const said = areas?.said;
    if (said) {
      untrack(() => {
        if (JSON.stringify(said) !== JSON.stringify(new AreaDraft(areasOf(draft.get(setting.key))).said)) {
          draft.set(setting.key, said);
        }
      });
    }
  });

  function typed(text: string) {
    if (text.trim() === '') {
      draft.clear(setting.key);
    } else if (setting.kind === 'levels') {
      draft.set(setting.key, weekValue(text, false));
    } else {
      const plans = text
        .split('\n')
        .map((l) => l.split(/:\s+/))
        .filter((l) => l.length === 2);
      draft.set(setting.key, Object.fromEntries(plans) as Record<string, string>);
    }
  }

  const lines = $derived(
    setting.kind === 'levels'
      ? weekLines(value).text
      : value !== null && typeof value === 'object'
        ? Object.entries(value)
            .map(([k, v]) => `${k}: ${words(v)}`)
            .join('\n')
        : '',
  );
  const levelFault = $derived.by(() => {
    try {
      parse(setting.kind === 'levels' ? lines : '', isLevel);
      return '';
    } catch (e) {
      return (e as Error).message;
    }
  });
</script>

<div
  class="border-b border-line/60 py-3 pl-3 {set
    ? 'border-l-4 border-l-accent'
    : 'border-l-4 border-l-transparent'}"
>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <div class="w-40 font-semibold">{setting.title}</div>
    <div class="min-w-0 flex-1">
      {#if large}
        <button type="button" class="act text-sm" aria-expanded={open} onclick={toggle}
          >{open ? 'Close' : set ? 'Change' : 'Say it here'}<span class="sr-only">
            {setting.title}</span
          ></button
        >
        <span class="ml-2 text-sm text-faint"
          >{setting.kind === 'week'
            ? weekLines(value).text.replaceAll('\n', '; ')
            : areasOf(value)
                .map((a) => `${a.kind} ${a.name}`)
                .join(', ')}</span
        >
      {:else if setting.kind === 'levels' || setting.kind === 'special-days'}
        <textarea
          class="field native h-16 w-full max-w-[460px] leading-5"
          name={setting.key}
          aria-label={setting.title}
          aria-describedby={id}
          placeholder={setting.kind === 'levels'
            ? 'daily 21:00-05:30 45'
            : 'public-holidays: daily continuous'}
          value={lines}
          onchange={(e) => typed(e.currentTarget.value)}></textarea>
        {#if levelFault}<p class="text-sm text-loss" role="alert">{levelFault}</p>{/if}
      {:else}
        <SettingControl
          {setting}
          {value}
          describedby={id}
          onset={(v) => draft.set(setting.key, v)}
          onclear={() => draft.clear(setting.key)}
        />
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
      {:else if inherited}
        <span class="text-faint italic"
          >inherits {words(inherited.value).slice(0, 60)} from {inherited.from}</span
        >
      {:else}
        <span class="text-faint">not said here</span>
      {/if}
    </div>
  </div>
  <p {id} class="mt-1 text-xs text-faint">
    {setting.meaning}
    <span class="text-loss">Loss</span> · {setting.loss} <span class="text-waste">Waste</span> · {setting.waste}
  </p>
  {#if open && week}
    <label class="mt-3 flex items-center gap-2 text-sm"
      ><input
        type="checkbox"
        checked={weekLines(value).replace}
        onchange={(e) => draft.set(setting.key, weekValue(week?.text ?? '', e.currentTarget.checked))}
      />replace: drop what farther layers say at any minute</label
    >
    <div class="mt-3"><WeekEditor draft={week} inherited={above} label={setting.title} /></div>
  {/if}
  {#if open && areas}
    <div class="mt-3">
      {#if sample}
        <AreaEditor draft={areas} camera={sample} alone />
      {:else}
        <p class="text-sm text-faint">
          Areas are drawn on a picture; use the template at a group with cameras first.
        </p>
      {/if}
    </div>
  {/if}
</div>
