<script lang="ts">
  import { ago, groupName, when } from '../../lib/format';
  import { cameraPath, p } from '../../router';
  import type { Choice, Finding } from './choice.svelte';

  /** Findings as rows of a table; the head is said by whoever puts them there. */
  let {
    findings,
    choice,
    inset = false,
    onopen,
  }: {
    findings: Finding[];
    /** None for those who may decide nothing. */
    choice: Choice | undefined;
    inset?: boolean;
    onopen: (finding: Finding) => void;
  } = $props();

  const SIDE: Record<string, string> = { LOSS: 'loss', WASTE: 'waste', BOTH: 'both ways', NONE: '' };
</script>

{#each findings as f (f.id)}
  <tr class="border-b border-line/60 align-top hover:bg-raised">
    <td class="py-2 {inset ? 'pl-6' : ''}">
      {#if choice}
        <input
          type="checkbox"
          checked={choice.has(f.id)}
          aria-label="Choose {f.camera ?? f.recorder}: {f.title}"
          onchange={() => choice.toggle(f)}
        />
      {/if}
    </td>
    <td class="py-2 pr-4">
      <span
        class={f.severity === 'HIGH'
          ? 'rounded-sm bg-loss-wash px-1.5 font-semibold text-loss'
          : f.severity === 'MEDIUM'
            ? 'px-1.5 font-semibold'
            : 'px-1.5 text-faint'}>{f.severity.toLowerCase()}</span
      >
    </td>
    <td class="py-2 pr-4">
      {#if f.camera}
        <a class="native" href={cameraPath(f.camera)}>{f.camera}</a>
        {f.label}
        <div class="text-xs text-faint">{f.group ? groupName(f.group) : ''}</div>
      {:else}
        <a class="native" href={p('/recorders/:name', { params: { name: f.recorder } })}>{f.recorder}</a>
      {/if}
      <div class="sm:hidden">
        {f.sentence} <span class="text-faint">{ago(f.firstSeen)}</span>
      </div>
    </td>
    <td class="py-2 pr-4 max-sm:hidden">
      {f.sentence}
      {#if f.assignedTo}
        <div class="text-xs text-faint">
          with {f.assignedTo}{f.assignedNote ? `: ${f.assignedNote}` : ''}
        </div>
      {/if}
    </td>
    <td
      class="py-2 pr-4 whitespace-nowrap max-sm:hidden {f.direction === 'WASTE' ? 'text-waste' : 'text-loss'}"
      >{SIDE[f.direction]}</td
    >
    <td class="py-2 pr-4 whitespace-nowrap text-faint max-sm:hidden" title={when(f.firstSeen)}
      >{ago(f.firstSeen)}</td
    >
    <td class="py-2 text-right whitespace-nowrap">
      <button class="text-accent underline" onclick={() => onopen(f)}
        >history<span class="sr-only">: {f.camera ?? f.recorder} {f.title}</span></button
      >
    </td>
  </tr>
{/each}
