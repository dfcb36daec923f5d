<script lang="ts">
  import { untrack } from 'svelte';
  import { inStep } from '../in-step.svelte';
  import { WeekDraft } from './week-draft.svelte';
  import { isTriggers, ONE_DAY, sameLines } from './week-text';
  import WeekEditor from './WeekEditor.svelte';

  /** The plan of one special day, from midnight to midnight. */
  let { text, label, onset }: { text: string; label: string; onset: (text: string) => void } = $props();

  const draft = untrack(() => new WeekDraft(text, isTriggers, ONE_DAY));

  inStep({
    mine: () => (draft.fault ? undefined : draft.text),
    theirs: () => text,
    same: sameLines,
    out: (said) => onset(said),
    take: (said) => draft.type(said),
  });
</script>

<WeekEditor {draft} {label} />
