<script lang="ts">
  import { stillAddress } from '../camera';

  /**
   * What a camera sees now; where there is no picture it says so, at the same size. A recorder gives a few pictures at a time
   * and refuses the rest, so that one which did not come is asked for again before that is said.
   */
  let { camera, label }: { camera: string; label: string } = $props();

  const MOST_TRIES = 4;
  const FIRST_WAIT_MILLIS = 700;
  let tries = $state(1);
  let broken = $state(false);
  let waiting: ReturnType<typeof setTimeout> | undefined;

  function again() {
    if (tries >= MOST_TRIES) {
      broken = true;
    } else {
      waiting = setTimeout(() => tries++, FIRST_WAIT_MILLIS * 2 ** (tries - 1));
    }
  }
  $effect(() => () => clearTimeout(waiting));
</script>

<span class="block aspect-video overflow-hidden border border-line bg-sunken">
  {#if broken}
    <span class="flex h-full items-center justify-center px-3 text-center text-xs text-faint"
      >no picture of {label}</span
    >
  {:else}
    {#key tries}
      <img
        src={tries === 1 ? stillAddress(camera) : `${stillAddress(camera)}?try=${tries}`}
        alt="{label} now"
        loading="lazy"
        class="h-full w-full object-cover"
        onerror={again}
      />
    {/key}
  {/if}
</span>
