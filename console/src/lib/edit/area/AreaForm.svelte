<script lang="ts">
  import { KINDS, type Area, type AreaDraft, type Kind } from './area-draft.svelte';

  /** Name, kind and values of the area that is chosen. */
  let { draft, area, shapeless }: { draft: AreaDraft; area: Area; shapeless: boolean } = $props();

  const WORDS: Record<Kind, string> = {
    watch: 'watch',
    ignore: 'ignore',
    area: 'kind left to other layers',
    remove: 'taken away',
  };
  const VALUES = [
    { key: 'sensitivity', title: 'Own sensitivity' },
    { key: 'threshold', title: 'Own threshold' },
  ] as const;
  const change = (changed: Partial<Area>) => draft.change(draft.selected, changed);
</script>

<div class="mt-4 grid gap-3 border-t border-line pt-3">
  <label
    ><span class="head mb-1 block">Name</span><input
      class="field w-full"
      maxlength="64"
      value={area.name}
      onchange={(e) => change({ name: e.currentTarget.value })}
    /></label
  >
  {#if shapeless}
    <p class="text-faint">Only values are said of it here. Draw a shape, and it is drawn here too.</p>
  {/if}
  <fieldset class="flex flex-wrap gap-x-4">
    <legend class="head mb-1">Kind</legend>
    {#each KINDS as kind (kind)}
      <label class="flex items-center gap-1"
        ><input
          type="radio"
          name="area-kind"
          checked={area.kind === kind}
          onchange={() => draft.setKind(draft.selected, kind)}
        />{WORDS[kind]}</label
      >
    {/each}
  </fieldset>
  {#if area.shape === 'cells'}
    <div class="flex flex-wrap gap-2">
      {#each ['everything', 'nothing', 'invert'] as const as how (how)}
        <button type="button" class="act" onclick={() => draft.fill(draft.selected, how)}>{how}</button>
      {/each}
    </div>
  {/if}
  {#if area.kind !== 'remove'}
    <div class="grid grid-cols-2 gap-2">
      {#each VALUES as { key, title } (key)}
        <label
          ><span class="head mb-1 block">{title}</span><input
            class="field w-full"
            placeholder="as the picture"
            value={area[key]}
            onchange={(e) => change({ [key]: e.currentTarget.value.trim() })}
          /></label
        >
      {/each}
    </div>
  {/if}
  <div>
    <button type="button" class="act" onclick={() => draft.remove(draft.selected)}
      >Say nothing of it here</button
    >
  </div>
</div>
