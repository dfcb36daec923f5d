<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import CameraNames from '../lib/ui/CameraNames.svelte';
  import FoldSwitch from '../lib/ui/FoldSwitch.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import { cameraPath } from '../router';

  /** What happened to each camera of a rollout, equal steps said once or one by one. */
  let { rollout }: { rollout: Schemas['RolloutView'] } = $props();

  type Step = Schemas['StepView'];
  const COLUMNS: ListColumn<Step>[] = [
    { key: 'camera', title: 'Camera', value: (s) => s.camera, text: (s) => s.label },
    { key: 'wave', title: 'Wave', value: (s) => s.wave },
    { key: 'state', title: 'State', value: (s) => s.state },
    {
      key: 'changes',
      title: 'Changes',
      value: (s) => s.changes.map((c) => `${c.title} ${c.before ?? '–'} → ${c.after}`).join('; '),
    },
    { key: 'detail', title: 'Detail', value: (s) => s.detail },
  ];
  const COLOUR: Record<string, string> = {
    verified: 'text-accent',
    mismatched: 'text-loss font-semibold',
    failed: 'text-loss font-semibold',
    skipped: 'text-waste',
    unsettled: 'text-loss',
    writing: 'text-waiting',
    planned: 'text-faint',
  };
  let byCamera = $state(false);
</script>

{#snippet state({ state }: { state: string })}<span class={COLOUR[state] ?? ''}>{state}</span>{/snippet}
{#snippet changes({ changes }: Pick<Step, 'changes'>)}
  {#each changes as c (c.key)}
    <div>
      {c.title} <span class="native">{c.before ?? '–'} → <b>{c.after}</b></span>
    </div>
  {/each}
{/snippet}

<FoldSwitch bind:byCamera once="Equal steps once" label="How the steps are listed" />
{#if byCamera}
  {#snippet camera(s: Step)}
    <a class="native" href={cameraPath(s.camera)}>{s.camera}</a>
    {s.label}
  {/snippet}
  {#snippet detail(s: Step)}<span class="text-faint">{s.detail}</span>{/snippet}
  <List
    name="rollout-steps"
    unit="camera"
    rows={rollout.steps}
    columns={COLUMNS}
    of={(s) => s.camera}
    cells={{ camera, state, changes, detail }}
  />
{:else}
  <div class="relative overflow-x-auto">
    <table class="w-full min-w-[640px] text-sm">
      <Heads titles={['On', 'State', 'Changes', 'Detail']} />
      <tbody>
        {#each rollout.folds as fold, i (i)}
          <tr class="border-b border-line/60 align-top">
            <td class="w-52 py-2 pr-4">
              <CameraNames cameras={fold.cameras} />
            </td>
            <td class="py-2 pr-4">{@render state(fold)}</td>
            <td class="py-2 pr-4">{@render changes(fold)}</td>
            <td class="max-w-[320px] py-2 pr-4 text-faint">{fold.detail}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}
