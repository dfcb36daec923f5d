<script lang="ts">
  import { untrack } from 'svelte';
  import { WeekDraft } from './week-draft.svelte';
  import { isTriggers, ONE_DAY, sameLines } from './week-text';
  import WeekEditor from './WeekEditor.svelte';

  /** The plan of one special day, from midnight to midnight. */
  let { text, label, onset }: { text: string; label: string; onset: (text: string) => void } = $props();

  const draft = untrack(() => new WeekDraft(text, isTriggers, ONE_DAY));

  $effect(() => {
    const said = draft.fault ? undefined : draft.text;
    untrack(() => {
      if (said !== undefined && !sameLines(said, text)) {
        onset(said);
      }
    });
  });
  $effect(() => {
    const said = text;
    untrack(() => {
      if (!draft.fault && !sameLines(said, draft.text)) {
        draft.type(said);
      }
    });
  });
</script>

<WeekEditor {draft} {label} />
