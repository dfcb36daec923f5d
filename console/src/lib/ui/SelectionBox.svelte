<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { namesQuery } from '../api/names';
  import { groupTerm } from '../format';

  /** The one box for choosing cameras; `/` brings the keyboard here from any page. */
  let {
    value,
    onchoose,
    placeholder = 'Choose cameras: group:terminals state:drifted pier',
  }: { value: string; onchoose: (selection: string) => void; placeholder?: string } = $props();

  const STARTS = [
    'group:',
    'recorder:',
    'template:',
    'tag:',
    'label:',
    'family:',
    'state:drifted',
    'state:waiting',
    'state:at-risk',
    'state:unknown',
    'not:',
  ];

  let text = $derived(value);
  let field = $state<HTMLInputElement>();
  let asked = $state(false);
  const names = createQuery(() => namesQuery(asked));
  const terms = $derived(
    names.data
      ? [
          ...names.data.groups.map((g) => groupTerm(g.group)).filter(Boolean),
          ...names.data.recorders.map((r) => `recorder:${r.name}`),
          ...names.data.templates.map((t) => `template:${t.name}`),
        ]
      : [],
  );

  /** What may follow, behind what stands there already; the last word is completed. */
  const completions = $derived.by(() => {
    const cut = Math.max(text.lastIndexOf(' '), text.lastIndexOf(',')) + 1;
    const word = text.slice(cut);
    return [...STARTS, ...terms]
      .filter((c) => c.startsWith(word) && c !== word)
      .slice(0, 60)
      .map((c) => text.slice(0, cut) + c);
  });

  function choose(event: SubmitEvent) {
    event.preventDefault();
    field?.blur();
    onchoose(text.trim());
  }

  function key(event: KeyboardEvent) {
    const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
    if (event.key === '/' && !typing && !event.ctrlKey && !event.metaKey && field?.offsetParent) {
      event.preventDefault();
      field.focus();
      field.select();
    }
  }
</script>

<svelte:window onkeydown={key} />
<form onsubmit={choose} role="search" class="w-full">
  <input
    bind:this={field}
    bind:value={text}
    onfocus={() => (asked = true)}
    class="field w-full"
    type="text"
    list="selection-words"
    spellcheck="false"
    autocapitalize="off"
    autocomplete="off"
    aria-label="Choose cameras, such as group:terminals state:drifted"
    aria-keyshortcuts="/"
    {placeholder}
  />
  <datalist id="selection-words">
    {#each completions as completion (completion)}<option value={completion}></option>{/each}
  </datalist>
</form>
