<script lang="ts">
  import type { Work } from '../work.svelte';

  let { work, unit }: { work: Work; unit: string } = $props();

  const share = $derived(work.total === 0 ? 0 : (work.done / work.total) * 100);
</script>

<div>
  <div
    class="h-2 overflow-hidden rounded-full bg-sunken"
    role="progressbar"
    aria-valuenow={work.done}
    aria-valuemin="0"
    aria-valuemax={work.total}
    aria-label="{work.kind}: {work.done} of {work.total} {unit}"
  >
    <div class="settles h-full bg-accent" style:width="{share}%"></div>
  </div>
  <p class="mt-1 text-sm text-faint">
    {work.done} of {work.total}
    {unit}{work.failed > 0 ? `, ${work.failed} failed` : ''}
  </p>
</div>
