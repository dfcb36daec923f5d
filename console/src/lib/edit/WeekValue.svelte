<script lang="ts">
  import { untrack } from 'svelte';
  import type { Run } from '../week';
  import { weekLines, weekValue } from './template-draft.svelte';
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

  // What is painted or typed here goes out, and what is changed elsewhere comes in; neither answers itself.
  $effect(() => {
    const text = draft.fault ? undefined : draft.text;
    untrack(() => {
      if (text !== undefined && !sameLines(text, said.text)) {
        if (text.trim() === '') {
          onclear();
        } else {
          onset(weekValue(text, said.replace));
        }
      }
    });
  });
  $effect(() => {
    const text = said.text;
    untrack(() => {
      if (!draft.fault && !sameLines(text, draft.text)) {
        draft.type(text);
      }
    });
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
