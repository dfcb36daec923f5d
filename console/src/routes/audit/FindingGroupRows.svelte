<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import type { Schemas } from '../../lib/api/client';
  import { ago, count, when } from '../../lib/format';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { everyOne, type Choice, type Finding, type Narrowed } from './choice.svelte';
  import FindingRows from './FindingRows.svelte';

  /** One line for findings that share something; opened, it shows them. */
  let {
    group,
    title,
    narrowed,
    choice,
    few,
    onopen,
  }: {
    group: Schemas['GroupView'];
    title: string;
    narrowed: Narrowed;
    choice: Choice | undefined;
    /** Nothing needs folding. */
    few: boolean;
    onopen: (finding: Finding) => void;
  } = $props();

  const SHOWN = 200;
  let turned = $state<boolean | undefined>();
  const open = $derived(turned ?? few);
  let asked = $state(false);
  const findings = createQuery(() => ({
    queryKey: ['findings', 'group', narrowed],
    enabled: open || asked,
    queryFn: () => everyOne(narrowed),
  }));
  const all = $derived(findings.data ?? []);
  const chosen = $derived(all.filter((f) => choice?.has(f.id)).length);

  async function toggleAll() {
    asked = true;
    const loaded = findings.data ?? (await findings.refetch()).data ?? [];
    choice?.toggleAll(loaded);
  }
</script>

<tr class="border-b border-line align-baseline">
  <td class="py-2">
    {#if choice}
      <input
        type="checkbox"
        aria-label="Choose all {count(group.findings, 'finding')}: {title}"
        checked={chosen > 0 && chosen === all.length}
        indeterminate={chosen > 0 && chosen < all.length}
        onchange={toggleAll}
      />
    {/if}
  </td>
  <td class="py-2 pr-4" colspan="3">
    <button
      class="flex w-full items-baseline gap-2 text-left font-semibold hover:text-accent"
      aria-expanded={open}
      onclick={() => (turned = !open)}
    >
      <span aria-hidden="true" class="inline-block w-3 text-faint">{open ? '−' : '+'}</span>
      <span>{title}</span>
      <span class="font-normal text-faint"
        >{count(group.findings, 'finding')}{group.cameras > 0
          ? `, ${count(group.cameras, 'camera')}`
          : ''}</span
      >
    </button>
  </td>
  <td class="py-2 pr-4 whitespace-nowrap max-sm:hidden">
    {#if group.high > 0}<span class="rounded-sm bg-loss-wash px-1.5 font-semibold text-loss"
        >{group.high} high</span
      >{/if}
  </td>
  <td class="py-2 pr-4 whitespace-nowrap text-faint max-sm:hidden" title={when(group.oldest)}
    >{ago(group.oldest)}</td
  >
  <td></td>
</tr>
{#if open}
  {#if findings.error}
    <tr><td colspan="7"><Trouble error={findings.error} /></td></tr>
  {/if}
  <FindingRows findings={all.slice(0, SHOWN)} {choice} {onopen} inset />
  {#if all.length > SHOWN}
    <tr class="border-b border-line/60"
      ><td></td><td class="py-2 text-faint" colspan="6"
        >and {count(all.length - SHOWN, 'more', 'more')}; choose cameras above to see them</td
      ></tr
    >
  {/if}
{/if}
