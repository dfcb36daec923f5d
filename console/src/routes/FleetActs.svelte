<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { count, groupName } from '../lib/format';
  import Modal from '../lib/ui/Modal.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import type { Choice } from './fleet-choice.svelte';
  import OverrideDialog from './OverrideDialog.svelte';

  /** Acts on the chosen cameras, all of them or none. */
  let { choice }: { choice: Choice } = $props();

  const client = useQueryClient();
  const groups = createQuery(() => ({
    queryKey: ['groups'],
    queryFn: () => ask(api.GET('/api/v1/groups')),
  }));
  let using = $state(false);
  let template = $state('');
  const templates = createQuery(() => ({
    queryKey: ['templates'],
    queryFn: () => ask(api.GET('/api/v1/templates')),
    enabled: using,
  }));
  let moving = $state(false);
  let overriding = $state(false);
  let copying = $state(false);
  let group = $state('');
  let tags = $state('');
  let from = $state('');
  let because = $state('');
  let told = $state('');
  let error = $state<Error | undefined>();

  async function attempt(work: () => Promise<string>) {
    error = undefined;
    try {
      told = await work();
      moving = copying = overriding = using = false;
      choice.clear();
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }

  const place = () =>
    attempt(async () => {
      const lines = [...choice.chosen].map((camera, i) => ({
        line: i + 1,
        camera,
        ...(group ? { group } : {}),
        ...(tags.trim() ? { tags: tags.split(/[ ,]+/).filter(Boolean) } : {}),
      }));
      await ask(api.POST('/api/v1/placings', { body: { lines } }));
      return `${count(lines.length, 'camera')} placed.`;
    });

  const use = () =>
    attempt(async () => {
      const { cameras } = await ask(
        api.POST('/api/v1/uses-of-many', { body: { template, select: choice.selection } }),
      );
      const already = choice.chosen.size - cameras;
      return `${template} is used at ${count(cameras, 'camera')}${already > 0 ? `; ${already} did so already` : ''}.`;
    });

  const copy = () =>
    attempt(async () => {
      const done = await ask(
        api.POST('/api/v1/copies', { body: { from, select: choice.selection, because } }),
      );
      return `${done.settings.length} settings copied to ${count(done.cameras, 'camera')}; left behind, since scenes differ: ${done.leftBehind.join(', ') || 'nothing'}.`;
    });
</script>

<div
  class="mb-3 flex min-h-8 flex-wrap items-center gap-2 text-sm"
  role="toolbar"
  aria-label="Acts on the chosen cameras"
>
  {#if choice.chosen.size > 0}
    <span class="font-semibold">{count(choice.chosen.size, 'camera')} chosen</span>
    <button class="act" onclick={() => (moving = true)}>Move or tag …</button>
    <button class="act" onclick={() => (using = true)}>Use a template …</button>
    <button class="act" onclick={() => (overriding = true)}>Override …</button>
    <button class="act" onclick={() => (copying = true)}>Copy from …</button>
    <button class="text-accent underline" onclick={() => choice.clear()}>choose none</button>
  {:else}
    <span class="text-faint" role="status"
      >{told ||
        'Tick cameras to act on many at once; Shift ticks a stretch. Drag a row onto a group to move it.'}</span
    >
  {/if}
</div>

<Modal
  bind:open={moving}
  title="Move or tag {count(choice.chosen.size, 'camera')}"
  description="What is left empty stays as it is."
>
  <form
    class="grid gap-4"
    onsubmit={(e) => {
      e.preventDefault();
      void place();
    }}
  >
    <label
      ><span class="head mb-1 block">To the group</span>
      <select class="field w-full" bind:value={group} name="group">
        <option value="">where they are</option>
        {#each groups.data ?? [] as g (g.group)}<option value={g.group}>{groupName(g.group)}</option>{/each}
      </select></label
    >
    <label
      ><span class="head mb-1 block">Tags, in place of those they have</span>
      <input class="field w-full" bind:value={tags} name="tags" placeholder="outside far-view" /></label
    >
    <Trouble {error} />
    <div><button class="act act-main">Place them</button></div>
  </form>
</Modal>

<OverrideDialog
  bind:open={overriding}
  at={count(choice.chosen.size, 'camera')}
  description="The same exception for each of them, with its reason. It is given out by a rollout."
  select={choice.selection}
  sample={[...choice.chosen][0] ?? ''}
  ondone={() => attempt(() => Promise.resolve(`${count(choice.chosen.size, 'camera')} overridden.`))}
/>

<Modal
  bind:open={using}
  title="Use a template at {count(choice.chosen.size, 'camera')}"
  description="At each of them, over what its groups use. Where all cameras of a group are meant, use it at the group."
>
  <form
    class="grid gap-4"
    onsubmit={(e) => {
      e.preventDefault();
      void use();
    }}
  >
    <label
      ><span class="head mb-1 block">Template</span>
      <select class="field w-full" bind:value={template} name="template" required>
        <option value="" disabled>choose …</option>
        {#each templates.data ?? [] as t (t.name)}<option value={t.name}>{t.name}: {t.title}</option>{/each}
      </select></label
    >
    <Trouble {error} />
    <div><button class="act act-main">Use it there</button></div>
  </form>
</Modal>

<Modal
  bind:open={copying}
  title="Copy to {count(choice.chosen.size, 'camera')}"
  description="A schedule travels well. Sensitivity, threshold and areas depend on the scene and stay behind."
>
  <form
    class="grid gap-4"
    onsubmit={(e) => {
      e.preventDefault();
      void copy();
    }}
  >
    <label
      ><span class="head mb-1 block">From the camera</span>
      <input class="field w-full" bind:value={from} name="from" required placeholder="haldr-1/05" /></label
    >
    <label
      ><span class="head mb-1 block">Because</span>
      <input class="field w-full" bind:value={because} name="because" required maxlength="500" /></label
    >
    <Trouble {error} />
    <div><button class="act act-main">Copy</button></div>
  </form>
</Modal>
