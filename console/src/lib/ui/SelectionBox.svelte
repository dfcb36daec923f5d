<script lang="ts">
  /** The one box for choosing cameras; `/` brings the keyboard here from any page. */
  let { value, onchoose }: { value: string; onchoose: (selection: string) => void } = $props();

  let text = $derived(value);
  let field = $state<HTMLInputElement>();

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
</script>

<svelte:window onkeydown={key} />
<form onsubmit={choose} role="search" class="w-full">
  <input
    bind:this={field}
    bind:value={text}
    class="field w-full"
    type="text"
    list="selection-words"
    spellcheck="false"
    autocapitalize="off"
    autocomplete="off"
    aria-label="Choose cameras, such as group:terminals state:drifted"
    aria-keyshortcuts="/"
    placeholder="Choose cameras: group:terminals state:drifted pier"
  />
  <datalist id="selection-words">
    {#each STARTS as start (start)}<option value={start}></option>{/each}
  </datalist>
</form>
