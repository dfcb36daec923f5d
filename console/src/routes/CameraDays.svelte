<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { isTriggers, ONE_DAY } from '../lib/edit/week/week-text';
  import { runsOf } from '../lib/edit/week/week-draft.svelte';
  import Ribbon from '../lib/ui/Ribbon.svelte';
  import { DAYS, perDay } from '../lib/week';

  /** Where other sensitivities hold by time, and what holds on special days, with where each comes from. */
  let { camera }: { camera: Schemas['CameraView'] } = $props();

  const levels = $derived(
    perDay(camera.levels.map((l) => ({ ...l, triggers: l.sensitivity }))).map((pieces, i) => ({
      name: DAYS[i] ?? '',
      pieces,
    })),
  );

  function day(plan: string) {
    const runs = runsOf(ONE_DAY.parse(plan.split('; ').join('\n'), isTriggers));
    return [{ name: 'day', pieces: runs.map((run) => ({ from: run.from, to: run.to, run })) }];
  }
</script>

{#if camera.levels.length > 0}
  <section class="min-w-0" aria-labelledby="levels">
    <h2 id="levels" class="mb-3 text-lg font-semibold">Sensitivity by time</h2>
    <Ribbon rows={levels} label="Sensitivity by time" levels from={(run) => run.origin.text} />
    <p class="mt-1 text-xs text-faint">Where nothing is said the camera's sensitivity holds.</p>
  </section>
{/if}
{#if camera.specialDays.length > 0}
  <section class="min-w-0" aria-labelledby="special-days">
    <h2 id="special-days" class="mb-3 text-lg font-semibold">Special days</h2>
    {#each camera.specialDays as d (d.calendar)}
      <div class="mb-3">
        <p class="text-sm">
          <span class="font-semibold">{d.calendar}</span> <span class="text-faint">from {d.origin.text}</span>
        </p>
        <Ribbon rows={day(d.plan)} label="On {d.calendar}" from={() => d.origin.text} />
      </div>
    {/each}
  </section>
{/if}
