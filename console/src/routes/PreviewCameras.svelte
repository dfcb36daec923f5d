<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import type { Schemas } from '../lib/api/client';
  import { cameraPath } from '../router';

  let { preview }: { preview: Schemas['Preview'] } = $props();
</script>

<div class="relative overflow-x-auto">
  <table class="w-full min-w-[760px] text-sm">
    <Heads titles={['Camera', 'Setting', 'Holds', 'Will hold', 'From', 'Why']} />
    <tbody>
      {#each preview.cameras as camera (camera.camera)}
        {#each camera.changes as change, i (change.key)}
          <tr class="align-top {i === camera.changes.length - 1 ? 'border-b border-line/60' : ''}">
            <td class="py-1.5 pr-4 whitespace-nowrap">
              {#if i === 0}
                <a class="native" href={cameraPath(camera.camera)}>{camera.camera}</a>
                {camera.label}
              {/if}
            </td>
            <td class="py-1.5 pr-4">{change.title}</td>
            <td class="native max-w-[220px] py-1.5 pr-4">{change.before ?? '–'}</td>
            <td class="native max-w-[220px] py-1.5 pr-4 font-semibold">
              {change.after}
              {#if change.approximated}
                <div class="font-sans text-xs font-normal text-faint">{change.approximated}</div>
              {/if}
            </td>
            <td class="py-1.5 pr-4 text-faint">{change.origin}</td>
            <td class="py-1.5 pr-4">{change.cause}</td>
          </tr>
        {/each}
      {/each}
    </tbody>
  </table>
</div>
