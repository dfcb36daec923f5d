<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import type { Schemas } from '../lib/api/client';
  import { groupName } from '../lib/format';
  import { wordOf } from '../lib/guide/of-settings';
  import Word from '../lib/guide/Word.svelte';
  import Long from '../lib/ui/Long.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { p } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';

  type Setting = Schemas['SettingRow'];

  let {
    settings,
    onoverride,
    ontakeback,
  }: {
    settings: Setting[];
    onoverride: (key: string) => void;
    ontakeback: (key: string, node: string) => void;
  } = $props();
</script>

<div class="relative mt-2 overflow-x-auto">
  <table class="w-full min-w-[900px] text-sm">
    <Heads titles={['Tuning', 'Setting', 'Asked', 'From', 'Recorder ought to hold', 'Recorder holds']} acts />
    <tbody>
      {#each settings as s (s.key)}
        <tr class="border-b border-line/60 align-top hover:bg-raised">
          <td class="py-2 pr-4"><TuningMark mark={s.mark} /></td>
          <th scope="row" class="py-2 pr-4 text-left font-semibold whitespace-nowrap" title={s.meaning}
            ><Word of={wordOf(s.key)}>{s.title}</Word></th
          >
          <td class="max-w-[260px] py-2 pr-4">
            {#if s.asked}<Long text={s.asked} />{#if s.fixed}<span class="text-faint"> · fixed</span>{/if}
            {:else}<span class="text-faint">not governed</span>{/if}
          </td>
          <td class="max-w-[300px] py-2 pr-4">
            {#each s.origins as o (o.text)}
              <div>
                {#if o.template}
                  <a href={p('/templates/:name/edit', { params: { name: o.template } })}>{o.template}</a>
                  <span class="text-faint">at {groupName(o.node)}</span>
                {:else}
                  override <span class="text-faint">at {groupName(o.node)}: {o.because}</span>
                  <Allowed to="EDITOR"
                    ><button class="text-accent underline" onclick={() => ontakeback(s.key, o.node)}
                      >take back</button
                    ></Allowed
                  >
                {/if}
              </div>
            {/each}
            {#each s.beaten as b (b.origin.text)}
              <div class="text-faint">
                beat <s>{b.value}</s> of {b.origin.template ?? 'an override'} at {groupName(b.origin.node)}
              </div>
            {/each}
          </td>
          <td class="native max-w-[220px] py-2 pr-4">
            {#if s.cannot}<span class="font-sans text-sm text-cannot">{s.cannot}</span>{:else}<Long
                text={s.wanted ?? ''}
              />{/if}
            {#if s.approximated}<div class="font-sans text-xs text-faint">{s.approximated}</div>{/if}
          </td>
          <td
            class="native max-w-[220px] py-2 pr-4 {s.observed && s.wanted && s.mark.kind !== 'in-tune'
              ? 'font-semibold text-loss'
              : ''}"><Long text={s.observed ?? ''} /></td
          >
          <td class="py-2 text-right">
            <Allowed to="EDITOR"
              ><button class="text-accent underline" onclick={() => onoverride(s.key)}
                >override<span class="sr-only"> {s.title}</span></button
              ></Allowed
            >
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
