<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import { Attempt } from '../../lib/attempt.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { storeName, type Store } from './room';

  let { store, onclose }: { store: Store; onclose: () => void } = $props();

  const client = useQueryClient();
  const attempt = new Attempt();
  let size = $state('');

  const at = $derived({ path: { name: store.recorder }, query: store.store ? { store: store.store } : {} });

  function done() {
    void client.invalidateQueries({ queryKey: ['forecast'] });
    onclose();
  }

  function say(event: Event) {
    event.preventDefault();
    void attempt.run(
      () => ask(api.PUT('/api/v1/recorders/{name}/store-size', { params: at, body: { size } })),
      done,
    );
  }

  function forget() {
    void attempt.run(() => ask(api.DELETE('/api/v1/recorders/{name}/store-size', { params: at })), done);
  }
</script>

<Modal
  open
  {onclose}
  title="How large is {storeName(store)}?"
  description="Recorders do not tell. The size that is free for footage counts, after mirroring and the like."
>
  <form onsubmit={say} class="flex flex-wrap items-end gap-3">
    <label class="text-sm">
      <span class="head block">Size</span>
      <input class="field mt-1 w-40" bind:value={size} placeholder="8 TB" required />
    </label>
    <button class="act act-main" disabled={attempt.busy}>Say it</button>
    {#if store.size?.basis === 'SAID'}
      <button type="button" class="act" onclick={forget} disabled={attempt.busy}
        >Nobody knows; go by what is on it</button
      >
    {/if}
  </form>
  {#if attempt.error}<div class="mt-3"><Trouble error={attempt.error} /></div>{/if}
</Modal>
