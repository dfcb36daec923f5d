<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '../api/client';
  import { AreaDraft, areasOf, saidOf } from './area-draft.svelte';
  import AreaEditor from './AreaEditor.svelte';

  /**
   * Areas as a policy file holds them, drawn on the picture of a camera.
   *
   * @param alone leaves out what the layers above the camera say
   */
  let {
    value,
    camera,
    inherited,
    alone,
    onset,
    onclear,
  }: {
    value: unknown;
    camera: string;
    inherited: Schemas['AreaView'][];
    alone: boolean;
    onset: (value: unknown) => void;
    onclear: () => void;
  } = $props();

  const said = $derived(JSON.stringify(saidOf(areasOf(value))));
  const draft = untrack(() => new AreaDraft(areasOf(value)));

  $effect(() => {
    const text = draft.text;
    untrack(() => {
      if (text === said) {
        return;
      }
      if (draft.areas.length === 0) {
        onclear();
      } else {
        onset(draft.said);
      }
    });
  });
  $effect(() => {
    const text = said;
    untrack(() => {
      if (text !== draft.text) {
        draft.take(areasOf(value));
      }
    });
  });
</script>

<AreaEditor {draft} {camera} {inherited} {alone} />
