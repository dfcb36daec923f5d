<script lang="ts">
  import { untrack } from 'svelte';
  import type { Schemas } from '../../api/client';
  import { AreaDraft, areasOf, saidOf } from './area-draft.svelte';
  import { inStep } from '../in-step.svelte';
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

  inStep({
    mine: () => draft.text,
    theirs: () => said,
    out: () => (draft.areas.length === 0 ? onclear() : onset(draft.said)),
    take: () => draft.take(areasOf(value)),
  });
</script>

<AreaEditor {draft} {camera} {inherited} {alone} />
