<script lang="ts">
  import { untrack } from 'svelte';
  import type { Run } from '../../week';
  import { inStep } from '../in-step.svelte';
  import { weekLines, weekValue } from '../template-draft.svelte';
  import { WeekDraft } from './week-draft.svelte';
  import { isLevel, isTriggers, sameLines } from './week-text';
  import WeekEditor from './WeekEditor.svelte';

  /** A week, of triggers or of sensitivities, as a policy file holds it. */
  let {
    value,
    inherited,
    label,
    levels = false,
    onset,
    onclear,
  }: {
    value: unknown;
    inherited: Run[];
    label: string;
    levels?: boolean;
    onset: (value: unknown) => void;
    onclear: () => void;
  } = $props();

  const said = $derived(weekLines(value));
  const draft = untrack(() => new WeekDraft(said.text, levels ? isLevel : isTriggers));

  inStep({
    mine: () => (draft.fault ? undefined : draft.text),
    theirs: () => said.text,
    same: sameLines,
    out: (text) => (text.trim() === '' ? onclear() : onset(weekValue(text, said.replace))),
    take: (text) => draft.type(text),
  });
</script>

<label class="mb-3 flex items-center gap-2 text-sm"
  ><input
    type="checkbox"
    checked={said.replace}
    disabled={said.text === ''}
    onchange={(e) => onset(weekValue(said.text, e.currentTarget.checked))}
  />replace: drop what farther layers say at any minute</label
>
<WeekEditor {draft} inherited={said.replace ? [] : inherited} {label} {levels} />
