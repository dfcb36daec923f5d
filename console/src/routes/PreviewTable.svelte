<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import type { Schemas } from '../lib/api/client';
  import Empty from '../lib/ui/Empty.svelte';
  import { cameraPath } from '../router';

  let { preview }: { preview: Schemas['Preview'] } = $props();

  /** What cannot be honoured is said once for a family and setting. */
  const cannot = $derived([
    ...new Map(preview.cameras.flatMap((c) => c.cannot.map((x) => [c.family + x.key, x] as const))).values(),
  ]);
</script>

{#if preview.cameras.length === 0}
  <Empty title="Nothing would change.">Every camera that could be read holds what is asked.</Empty>
{:else}
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
{/if}
{#each cannot as c (c.why)}
  <p class="mt-2 text-sm text-cannot">Not written: {c.why} (asked {c.asked}).</p>
{/each}
{#each preview.leftAlone as words (words)}
  <p class="mt-2 text-sm text-waiting">Left out: {words}</p>
{/each}
{#each preview.unread as u (u.camera)}
  <p class="mt-2 text-sm text-faint">Left out: <span class="native">{u.camera}</span>, {u.why}</p>
{/each}
