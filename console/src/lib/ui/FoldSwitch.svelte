<script lang="ts">
  /** Whether what is equal is said once or camera by camera. */
  let {
    byCamera = $bindable(),
    once,
    label,
  }: { byCamera: boolean; /** What the first of the two says. */ once: string; label: string } = $props();

  const WAYS = $derived([
    { words: once, is: false },
    { words: 'By camera', is: true },
  ]);
</script>

<div class="mb-3 flex gap-2" role="group" aria-label={label}>
  {#each WAYS as { words, is } (words)}
    <button
      class="act {byCamera === is ? 'bg-accent-wash font-semibold' : ''}"
      aria-pressed={byCamera === is}
      onclick={() => (byCamera = is)}>{words}</button
    >
  {/each}
</div>
