<script lang="ts">
  import Modal from './Modal.svelte';

  let open = $state(false);

  const KEYS: [string, string][] = [
    ['/', 'choose cameras, from any page'],
    ['?', 'this list'],
    ['Esc', 'close a dialog, give up a drawing'],
    ['Ctrl Z, Ctrl Shift Z', 'take a step back, and again, in the week and on the picture'],
    ['Ctrl S', 'save the template'],
    ['arrows', 'move the window of a week, an area or a corner; Shift longer or further, Alt single minutes'],
    ['Enter, Delete', 'paint or erase the window of a week; close a polygon, remove a corner or an area'],
    ['+', 'a further corner behind the one that is held'],
    ['m, p', 'in the tree of groups: lift a group, put it or the ticked cameras under another'],
  ];

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
