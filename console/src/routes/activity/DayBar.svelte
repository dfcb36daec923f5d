<script lang="ts">
  import { height, REASONS, type DaySums } from './days';

  /** What was recorded on a day, by what, as a bar from below; hatched where a day that is past is not known. */
  let { day, past }: { day: DaySums | undefined; past: boolean } = $props();
</script>

{#if day && day.known > 0}
  {#each REASONS as reason (reason.key)}
    {@const part = height(day, day.by[reason.key])}
    {#if part > 0}
      <span class={reason.texture} style:height="{part}%"></span>
    {/if}
  {/each}
  {#if day.missing}<span class="missing" aria-hidden="true">!</span>{/if}
{:else if past}
  <span class="unknown" aria-hidden="true"></span>
{/if}

<style>
  span {
    display: block;
    flex: none;
    width: 100%;
  }
  .missing {
    position: absolute;
    inset: 0 0 auto;
    border-top: 3px solid var(--loss);
    color: var(--loss);
    font-size: 12px;
    font-weight: 700;
    line-height: 14px;
    text-align: center;
  }
  .unknown {
    height: 100%;
    background: repeating-linear-gradient(135deg, var(--paper) 0 3px, var(--line) 3px 4px);
  }
</style>
