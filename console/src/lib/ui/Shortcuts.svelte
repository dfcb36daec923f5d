<script lang="ts">
  import { KEYS } from '../palette/keys';
  import Modal from './Modal.svelte';

  let { open = $bindable(false) }: { open?: boolean } = $props();

  function key(event: KeyboardEvent) {
    const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
    if (event.key === '?' && !typing) {
      event.preventDefault();
      open = true;
    }
  }
</script>

<svelte:window onkeydown={key} />
<Modal
  bind:open
  title="By keyboard"
  description="Everything can be done without a mouse; Tab goes from one thing to the next."
>
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-sm">
    {#each KEYS as [keys, does] (keys)}
      <dt class="native font-semibold whitespace-nowrap">{keys}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
</Modal>
