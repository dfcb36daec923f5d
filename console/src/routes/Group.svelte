<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { count, number } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Long from '../lib/ui/Long.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Still from '../lib/ui/Still.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { cameraPath, p, route } from '../router';
  import LastDays from './activity/LastDays.svelte';
  import GroupSetting from './GroupSetting.svelte';
  import OverrideDialog from './OverrideDialog.svelte';
  import NodeUses from './NodeUses.svelte';
  import OverrideList from './OverrideList.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const MOST = 12;
  const client = useQueryClient();
  const path = $derived(String(route.search.path ?? ''));
  const select = $derived(`group:${path}`);
  const cameras = createQuery(() => ({
    queryKey: ['group', path],
    queryFn: () => ask(api.GET('/api/v1/cameras', { params: { query: { select, limit: 1000 } } })),
  }));
  const survey = createQuery(() => ({
    queryKey: ['group', path, 'survey'],
    queryFn: () => ask(api.GET('/api/v1/survey', { params: { query: { select } } })),
  }));
  const differing = $derived((survey.data?.settings ?? []).filter((s) => s.variants.length > 1));
  let all = $state(false);
  let overriding = $state(false);
</script>

<Page
  question={path.split('/').at(-1) ?? path}
  answer={cameras.data
    ? `${count(cameras.data.total, 'camera')} in ${path.replaceAll('/', ' / ')} and below; ${
        survey.data ? `${count(differing.length, 'setting')} on which they differ` : 'being compared'
      }.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="EDITOR"><button class="act" onclick={() => (overriding = true)}>Override …</button></Allowed>
    <a class="act no-underline" href={p('/fleet') + '?select=' + encodeURIComponent(select)}>As a table</a>
    <Allowed to="TECHNICIAN"
      ><a class="act no-underline" href={p('/rollouts') + '?select=' + encodeURIComponent(select)}>Preview</a
      ></Allowed
    >
  {/snippet}
  <Loaded query={cameras}>
    {#snippet children(page)}
      {#if page.items.length === 0}
        <Empty title="No camera stands here.">Move some here from the fleet.</Empty>
      {:else}
        <ul class="grid grid-cols-2 gap-4 md:grid-cols-3 xl:grid-cols-4">
          {#each all ? page.items : page.items.slice(0, MOST) as c (c.camera)}
            <li>
              <a href={cameraPath(c.camera)} class="block text-ink no-underline hover:text-accent">
                <Still camera={c.camera} label={c.label} />
                <span class="mt-1 flex items-center gap-2 text-sm"
                  ><TuningMark mark={c.mark} /><span class="truncate font-semibold">{c.label}</span></span
                >
                <span class="native text-faint">{c.camera}</span>
              </a>
            </li>
          {/each}
        </ul>
        {#if !all && page.items.length > MOST}
          <button class="act mt-4" onclick={() => (all = true)}>Show {number(page.items.length)}</button>
        {/if}
        {#if page.total > page.items.length}
          <p class="mt-2 text-sm text-faint">
            These are {number(page.items.length)} of {count(page.total, 'camera')};
            <a href={p('/fleet') + '?select=' + encodeURIComponent(select)}>as a table</a> shows all.
          </p>
        {/if}
      {/if}
    {/snippet}
  </Loaded>
  <section class="mt-10" aria-labelledby="lately">
    <h2 id="lately" class="mb-2 text-lg font-semibold">Now, and what was recorded in the last two weeks</h2>
    {#key select}<LastDays {select} />{/key}
  </section>
  <section class="mt-10" aria-labelledby="differ">
    <h2 id="differ" class="text-lg font-semibold">Where they differ, as their recorders hold it now</h2>
    <Loaded query={survey}>
      {#snippet children(s)}
        {#if s.unread.length > 0}
          <p class="text-sm text-faint">
            Not known: {s.unread.slice(0, 8).join(', ')}{s.unread.length > 8 ? ' …' : ''}
          </p>
        {/if}
        {#if differing.length === 0}
          <p class="mt-2 text-faint">They hold the same, family by family.</p>
        {:else}
          <div class="overflow-x-auto">
            <table class="w-full min-w-[640px] text-sm">
              <Heads titles={['Family', 'Setting', 'Value', 'Cameras', 'Which']} />
              <tbody>
                {#each differing as d (d.family + d.key)}
                  {#each d.variants as v, i (v.value)}
                    <tr class="align-top {i === d.variants.length - 1 ? 'border-b border-line/60' : ''}">
                      <td class="py-1 pr-4">{i === 0 ? d.family : ''}</td>
                      <td class="py-1 pr-4 font-semibold">{i === 0 ? d.title : ''}</td>
                      <td class="native max-w-[280px] py-1 pr-4"
                        ><Long text={v.value} longest={60} />{v.factory ? ' (factory)' : ''}</td
                      >
                      <td class="py-1 pr-4">{v.count}</td>
                      <td class="py-1 text-faint">
                        {#each v.count <= d.cameras / 2 ? v.cameras.slice(0, 6) : [] as c (c)}
                          <a class="native mr-2" href={cameraPath(c)}>{c}</a>
                        {/each}
                      </td>
                    </tr>
                  {/each}
                {/each}
              </tbody>
            </table>
          </div>
        {/if}
      {/snippet}
    </Loaded>
  </section>
  <GroupSetting {select} />
  <NodeUses node="fleet/{path}" />
  <OverrideList node="fleet/{path}" />
</Page>

<OverrideDialog
  bind:open={overriding}
  at={path.replaceAll('/', ' / ')}
  description="For all cameras of the group and below, with its reason. It is given out by a rollout."
  node="fleet/{path}"
  sample={cameras.data?.items[0]?.camera ?? ''}
  ondone={() => {
    overriding = false;
    void client.invalidateQueries();
  }}
/>
