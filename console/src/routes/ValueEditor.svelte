<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import AreasValue from '../lib/edit/area/AreasValue.svelte';
  import DaysValue from '../lib/edit/DaysValue.svelte';
  import { isLarge } from '../lib/edit/kinds';
  import WeekValue from '../lib/edit/week/WeekValue.svelte';
  import { NOTHING, type Above } from './above';
  import SettingControl from './SettingControl.svelte';

  /**
   * The control that fits a setting, whatever its kind. Values are as a policy file holds them.
   *
   * @param camera whose picture areas are drawn on; none where there is no camera yet
   * @param above what other layers say of the week, the special days and the areas
   * @param alone the areas stand for themselves, without what other layers say
   */
  let {
    setting,
    value,
    camera = '',
    above = NOTHING,
    alone = false,
    describedby,
    onset,
    onclear,
  }: {
    setting: Schemas['SettingView'];
    value: unknown;
    camera?: string;
    above?: Above;
    alone?: boolean;
    describedby: string;
    onset: (value: unknown) => void;
    onclear: () => void;
  } = $props();
</script>

{#if !isLarge(setting.kind)}
  <SettingControl {setting} {value} {describedby} {onset} {onclear} />
{:else if setting.kind === 'special-days'}
  <DaysValue {value} inherited={above.days} {onset} {onclear} />
{:else if setting.kind === 'areas'}
  {#if camera}
    <AreasValue {value} {camera} inherited={above.areas} {alone} {onset} {onclear} />
  {:else}
    <p class="text-sm text-faint">Areas are drawn on a picture, and there is no camera here yet.</p>
  {/if}
{:else}
  <WeekValue
    {value}
    inherited={above.runs}
    label={setting.title}
    levels={setting.kind === 'levels'}
    {onset}
    {onclear}
  />
{/if}
