<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';

  let {
    open = $bindable(),
    onclose,
    title,
    description,
    wide = false,
    children,
  }: {
    open: boolean;
    /** For those who keep it open by something else than a flag. */
    onclose?: () => void;
    title: string;
    description?: string;
    wide?: boolean;
    children: Snippet;
  } = $props();
</script>

<Dialog.Root bind:open onOpenChange={(now) => !now && onclose?.()}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-veil" />
    <Dialog.Content
      class="fixed left-1/2 z-50 {wide ? 'top-[3vh] max-h-[94vh]' : 'top-[8vh] max-h-[84vh]'} {wide
        ? 'w-[min(1180px,calc(100vw-32px))]'
        : 'w-[min(720px,calc(100vw-32px))]'} -translate-x-1/2 overflow-y-auto rounded-md border border-line bg-raised p-6 shadow-xl"
    >
      <Dialog.Title class="text-lg font-semibold">{title}</Dialog.Title>
      {#if description}
        <Dialog.Description class="mt-1 text-sm text-faint">{description}</Dialog.Description>
      {/if}
      <div class="mt-4">{@render children()}</div>
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
