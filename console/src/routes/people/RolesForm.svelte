<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import type { Roles } from './roles';

  /** Roles, each for the fleet or for a group, and what is told apart from them. */
  let { roles = $bindable() }: { roles: Roles } = $props();

  const MOST = 20;
  const WORDS = [
    ['viewer', 'viewer: sees, changes nothing'],
    ['technician', 'technician: sees footage, reads and audits, tries settings'],
    ['editor', 'editor: changes policy, gives it out, decides findings'],
    ['administrator', 'administrator: lets recorders and people in'],
  ] as const;
  const APART = [
    { key: 'footage', title: 'Sees footage', usual: 'where they are technician or more' },
    { key: 'decides', title: 'Decides findings', usual: 'where they are editor or more' },
  ] as const;

  const id = $props.id();
  const groups = createQuery(() => ({
    queryKey: ['groups'],
    queryFn: () => ask(api.GET('/api/v1/groups')),
  }));
  const paths = $derived(
    (groups.data ?? []).map((g) => g.group.replace(/^fleet\/?/, '')).filter((path) => path !== ''),
  );
</script>

<fieldset class="flex flex-col gap-2">
  <legend class="head mb-1">Roles</legend>
  {#each roles.grants as grant, i (i)}
    <div class="flex flex-wrap items-center gap-2">
      <select class="field min-w-0 flex-1" aria-label="Role {i + 1}" name="role" bind:value={grant.role}>
        {#each WORDS as [role, words] (role)}<option value={role}>{words}</option>{/each}
      </select>
      <input
        class="field native w-[170px]"
        aria-label="Group of role {i + 1}; the whole fleet when empty"
        placeholder="the whole fleet"
        list="{id}-groups"
        autocomplete="off"
        bind:value={grant.group}
      />
      <button
        class="act px-2"
        type="button"
        aria-label="Take role {i + 1} away"
        disabled={roles.grants.length === 1}
        onclick={() => (roles.grants = roles.grants.filter((_, n) => n !== i))}
        ><X size={14} aria-hidden="true" /></button
      >
    </div>
  {/each}
  <datalist id="{id}-groups">
    {#each paths as path (path)}<option value={path}></option>{/each}
  </datalist>
  <div>
    <button
      class="act flex items-center gap-1.5 text-sm"
      type="button"
      disabled={roles.grants.length >= MOST}
      onclick={() => (roles.grants = [...roles.grants, { role: 'technician', group: paths[0] ?? '' }])}
      ><Plus size={14} aria-hidden="true" />Another role elsewhere</button
    >
  </div>
</fieldset>
<div class="grid gap-3 sm:grid-cols-2">
  {#each APART as { key, title, usual } (key)}
    <label>
      <span class="head mb-1 block">{title}</span>
      <select class="field w-full" bind:value={roles[key]}>
        <option value="">{usual}</option>
        <option value="yes">wherever they may look</option>
        <option value="no">nowhere</option>
      </select>
    </label>
  {/each}
</div>
