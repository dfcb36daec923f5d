<script lang="ts">
  import { stillAddress } from '../camera';

  /** What a camera sees now; where there is no picture it says so, at the same size. */
  let { camera, label }: { camera: string; label: string } = $props();

  let broken = $state(false);
</script>

<span class="block aspect-video overflow-hidden border border-line bg-sunken">
  {#if broken}
    <span class="flex h-full items-center justify-center px-3 text-center text-xs text-faint"
      >no picture of {label}</span
    >
  {:else}
    <img
      src={stillAddress(camera)}
      alt="{label} now"
      loading="lazy"
      class="h-full w-full object-cover"
      onerror={() => (broken = true)}
    />
  {/if}
</span>
