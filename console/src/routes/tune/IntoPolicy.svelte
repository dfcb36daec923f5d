<script lang="ts">
  import { useQueryClient } from '@tanstack/svelte-query';
  import { parse as parseYaml } from 'yaml';
  import { api, ask } from '../../lib/api/client';
  import { overridesAt } from '../../lib/api/said';
  import { Attempt } from '../../lib/attempt.svelte';
  import Modal from '../../lib/ui/Modal.svelte';
  import Trouble from '../../lib/ui/Trouble.svelte';
  import { percent } from './levels';

  /** What was found, as an exception at the camera, with the trial as its reason. */
  let {
    open = $bindable(),
    camera,
    clip,
    sensitivity,
    threshold,
    area,
    said,
    ondone,
  }: {
    open: boolean;
    camera: string;
    clip: number;
    sensitivity: string;
    threshold: number;
    area: string[];
    said: string;
    ondone: () => void;
  } = $props();

  const AREAS = 'motion.areas';
  const client = useQueryClient();
  const work = new Attempt();
  let because = $state('');
  let areaName = $state('restless');

  $effect(() => {
    if (open) {
      because = `tried on clip ${clip}: ${said.charAt(0).toLowerCase()}${said.slice(1).replace(/\.$/, '')}`;
    }
  });

  const save = (e: SubmitEvent) => {
    e.preventDefault();
    return work.run(async () => {
      const node = `camera:${camera}`;
      const here = await overridesAt(node);
      const set: Record<string, string> = {
        'motion.sensitivity': sensitivity,
        'motion.threshold': `${threshold}%`,
      };
      if (area.length > 0) {
        const own = here.overrides.find((o) => o.key === AREAS && !o.until)?.value;
        const before = own ? (parseYaml(own) as Record<string, unknown>[]) : [];
        set[AREAS] = JSON.stringify([
          ...before.filter((a) => a.ignore !== areaName && a.area !== areaName),
          { ignore: areaName, cells: area },
        ]);
      }
      await ask(
        api.POST('/api/v1/overrides', {
          params: { header: { 'If-Match': here.version } },
          body: { node, fixed: false, set, because },
        }),
      );
      await client.invalidateQueries();
    }, ondone);
  };
</script>

<Modal
  bind:open
  title="Into the policy"
  description="As an exception for this camera alone; it waits until it is given out."
>
  <form onsubmit={save} class="grid gap-4">
    <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1">
      <dt class="text-faint">Sensitivity</dt>
      <dd>{sensitivity}</dd>
      <dt class="text-faint">Threshold</dt>
      <dd>{percent(threshold)}</dd>
      {#if area.length > 0}
        <dt class="text-faint">Area left out</dt>
        <dd>{area.join('').split('#').length - 1} cells of {area.length * (area[0]?.length ?? 0)}</dd>
      {/if}
    </dl>
    {#if area.length > 0}
      <label class="text-sm"
        >Name of the area<br /><input
          class="field w-64"
          bind:value={areaName}
          required
          maxlength="40"
        /></label
      >
    {/if}
    <label class="text-sm"
      >Because<br /><input class="field w-full" bind:value={because} required maxlength="400" /></label
    >
    <Trouble error={work.error} />
    <div class="flex gap-3">
      <button class="act act-main" disabled={work.busy}>Make it an exception</button>
      <button type="button" class="act" onclick={() => (open = false)}>Not now</button>
    </div>
  </form>
</Modal>
