<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { factor, percent } from './levels';

  let {
    suggestion,
    ignored,
    ontake,
  }: {
    suggestion: Schemas['SuggestionView'];
    ignored: string[];
    ontake: (setting: Schemas['TriedSetting'], area: string[]) => void;
  } = $props();
</script>

<section class="mt-6 border-l-2 border-accent pl-4" aria-labelledby="suggested">
  <h2 id="suggested" class="text-lg font-semibold">Suggested</h2>
  <p class="mt-1 max-w-[75ch]">{suggestion.said}</p>
  <div class="mt-3 flex flex-wrap gap-3">
    {#if suggestion.best}
      {@const best = suggestion.best}
      <button class="act" onclick={() => ontake(best.setting, ignored)}
        >Try {best.setting.sensitivity} and {percent(best.setting.threshold)} (margin {factor(
          best.margin,
        )})</button
      >
    {/if}
    {#if suggestion.area}
      {@const area = suggestion.area}
      <button class="act act-main" onclick={() => ontake(area.report.setting, area.ignore)}
        >Leave the area out, with {area.report.setting.sensitivity} and {percent(
          area.report.setting.threshold,
        )} (margin {factor(area.report.margin)})</button
      >
    {/if}
  </div>
</section>
