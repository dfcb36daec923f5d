<script lang="ts">
  import { holdable, nearestOf, ofArea, percent, type Levels, type Tried } from './levels';

  /** The sensitivity that is tried, with what the policy asks and the recorder holds beside it; by area where it has its own. */
  let {
    levels,
    tried = $bindable(),
    area,
    areas,
    onarea,
  }: {
    levels: Levels;
    tried: Tried;
    area: string | undefined;
    areas: string[];
    onarea: (name: string) => void;
  } = $props();

  const policy = $derived(ofArea(levels.policy, area));
  const held = $derived(ofArea(levels.held, area));
  const start = (setting: { sensitivity: string; threshold: number }) => (tried = holdable(levels, setting));
</script>

{#if areas.length > 0}
  <label class="mb-3 block text-sm"
    >Area, which has values of its own<br /><select
      class="field w-full"
      value={area}
      onchange={(e) => onarea(e.currentTarget.value)}
    >
      {#each areas as name (name)}<option>{name}</option>{/each}
    </select></label
  >
{/if}
<div class="flex items-baseline justify-between">
  <label for="sensitivity" class="font-semibold">Sensitivity</label>
  <span class="text-lg tabular-nums">{tried.sensitivity}</span>
</div>
<input
  id="sensitivity"
  type="range"
  class="w-full accent-(--accent)"
  min="0"
  max={levels.sensitivities.length - 1}
  disabled={tried.sensitivity === 'auto'}
  value={tried.sensitivity === 'auto' ? 0 : levels.sensitivities.indexOf(tried.sensitivity)}
  oninput={(e) =>
    (tried = {
      ...tried,
      sensitivity: levels.sensitivities[Number(e.currentTarget.value)] ?? tried.sensitivity,
    })}
  aria-valuetext={String(tried.sensitivity)}
/>
<div class="flex flex-wrap gap-x-4 gap-y-1 text-sm">
  {#if levels.adapts}
    <label class="flex items-center gap-2"
      ><input
        type="checkbox"
        checked={tried.sensitivity === 'auto'}
        onchange={(e) =>
          (tried = {
            ...tried,
            sensitivity: e.currentTarget.checked ? 'auto' : nearestOf(levels.sensitivities, 55),
          })}
      />adapts to the noise by itself</label
    >
  {/if}
  {#if policy}
    <button class="text-accent underline" onclick={() => start(policy)}
      >as the policy asks ({policy.sensitivity}, {percent(policy.threshold)})</button
    >
  {/if}
  {#if held}
    <button class="text-accent underline" onclick={() => start(held)}
      >as the recorder holds ({held.sensitivity}, {percent(held.threshold)})</button
    >
  {/if}
</div>
{#each levels.policy?.assumed ?? [] as note (note)}
  <p class="mt-1 text-xs text-faint">{note}</p>
{/each}
