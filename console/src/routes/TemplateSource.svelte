<script lang="ts">
  import type { TemplateDraft } from '../lib/edit/template-draft.svelte';
  import { count } from '../lib/format';

  let { draft }: { draft: TemplateDraft } = $props();
</script>

<aside class="min-w-0 2xl:sticky 2xl:top-4 2xl:self-start">
  <h2 class="mb-2 text-lg font-semibold">The same as text</h2>
  <textarea
    class="field native h-96 w-full leading-5"
    name="text"
    aria-label="The template as text"
    spellcheck="false"
    value={draft.text}
    oninput={(e) => draft.type(e.currentTarget.value)}></textarea>
  {#if draft.fault}<p class="text-sm text-loss" role="alert">{draft.fault}</p>{/if}
  <p class="mt-1 text-xs text-faint">
    {count(draft.text.split('\n').length - 1, 'line')}; the form follows it.
  </p>
</aside>
