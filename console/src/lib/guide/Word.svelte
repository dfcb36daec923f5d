<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { Section } from './pages';

  /** A word of the domain, explained in its sentence and picture when it is pressed; plain where it is no such word. */
  let { of, children }: { of: string | undefined; children: Snippet } = $props();

  const GAP = 6;
  const EDGE = 8;
  const id = $props.id();
  let button = $state<HTMLButtonElement>();
  let box = $state<HTMLElement>();
  let section = $state.raw<Section | undefined>();

  async function toggled(event: ToggleEvent) {
    if (event.newState === 'open' && of) {
      const { WORDS } = await import('./words');
      section = WORDS.get(of);
      place();
      requestAnimationFrame(place);
    }
  }

  /** Under its word, and within the window. */
  function place() {
    if (!button || !box) {
      return;
    }
    const word = button.getBoundingClientRect();
    const { width, height } = box.getBoundingClientRect();
    const below = word.bottom + GAP;
    const top = below + height > innerHeight - EDGE ? word.top - GAP - height : below;
    box.style.left = `${Math.max(EDGE, Math.min(word.left, innerWidth - width - EDGE))}px`;
    box.style.top = `${Math.max(EDGE, top)}px`;
  }
</script>

{#if of}
  <button
    bind:this={button}
    type="button"
    popovertarget={id}
    class="-my-1.5 cursor-help py-1.5 [font:inherit] text-inherit underline decoration-dotted underline-offset-3 hover:text-accent"
    >{@render children()}</button
  ><span
    {id}
    bind:this={box}
    popover="auto"
    role="note"
    class="fixed inset-auto m-0 w-72 rounded-md border border-line bg-raised p-4 text-left text-sm font-normal whitespace-normal text-ink shadow-lg"
    ontoggle={toggled}
  >
    {#if section}
      <span class="block font-semibold">{section.head}</span>
      <img src={section.picture} alt={section.alt} width="240" height="72" class="my-2 block" />
      <span class="block">{section.text}</span>
      <a class="mt-2 inline-block" href="/guide/words#{section.id}">All the words</a>
    {/if}
  </span>
{:else}{@render children()}{/if}
