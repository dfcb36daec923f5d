<script lang="ts">
  import type { Schemas } from '../../api/client';
  import type { AreaDraft } from './area-draft.svelte';

  /** The areas of this layer, and those of the layers under it that it may speak of. */
  let { draft, inherited }: { draft: AreaDraft; inherited: Schemas['AreaView'][] } = $props();

  const elsewhere = $derived(inherited.filter((a) => !draft.areas.some((own) => own.name === a.name)));
</script>

<p class="head mb-1">Areas</p>
<ul class="grid gap-1">
  {#each draft.areas as a, i (i)}
    <li>
      <button
        type="button"
        class="w-full rounded border px-2 py-1 text-left {i === draft.selected
          ? 'border-accent bg-accent-wash font-semibold'
          : 'border-line'}"
        aria-pressed={i === draft.selected}
        onclick={() => (draft.selected = i)}
        >{a.kind === 'area' || a.kind === 'remove' ? '' : a.kind}
        {a.name}
        <span class="text-faint"
          >{a.kind === 'remove' ? 'taken away' : a.shape || 'its shape is left to other layers'}</span
        ></button
      >
    </li>
  {:else}
    <li class="text-faint">None here{inherited.length > 0 ? '' : ': the whole picture is watched'}.</li>
  {/each}
</ul>
{#each elsewhere as a (a.name)}
  <p class="mt-1 flex flex-wrap gap-x-3 px-2 text-faint">
    <span class="flex-1"
      >{a.kind}
      {a.name}, from {a.origins.map((o) => o.template ?? 'an override').join(', ')}{a.points.length > 0
        ? ' (dotted)'
        : ''}</span
    >
    <button type="button" class="text-accent underline" onclick={() => draft.speakOf(a.name, 'area')}
      >change here<span class="sr-only"> {a.name}</span></button
    >
    <button type="button" class="text-accent underline" onclick={() => draft.speakOf(a.name, 'remove')}
      >take away<span class="sr-only"> {a.name}</span></button
    >
  </p>
{/each}
