<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { ago, groupName, groupTerm, when } from '../lib/format';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import WeekRibbon from '../lib/ui/WeekRibbon.svelte';
  import { navigate, p, route } from '../router';
  import AreaMap from './AreaMap.svelte';
  import CameraDays from './CameraDays.svelte';
  import NodeUses from './NodeUses.svelte';
  import OverrideDialog from './OverrideDialog.svelte';
  import OverrideList from './OverrideList.svelte';
  import SettingsTable from './SettingsTable.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const path = $derived({ recorder: route.params.recorder ?? '', channel: route.params.channel ?? '' });
  const name = $derived(`${path.recorder}/${path.channel}`);
  const client = useQueryClient();
  const camera = createQuery(() => ({
    queryKey: ['camera', name],
    queryFn: () => ask(api.GET('/api/v1/cameras/{recorder}/{channel}', { params: { path } })),
  }));
  const findings = createQuery(() => ({
    queryKey: ['camera', name, 'findings'],
    queryFn: () => ask(api.GET('/api/v1/cameras/{recorder}/{channel}/findings', { params: { path } })),
  }));

  let overriding = $state(false);
  let startKey = $state('');
  let error = $state<Error | undefined>();
  const open = $derived(findings.data?.filter((f) => !f.endedAt) ?? []);
  const ended = $derived(findings.data?.filter((f) => f.endedAt) ?? []);
  const governed = $derived(camera.data?.settings.filter((s) => s.asked || s.observed) ?? []);

  function override(key: string) {
    startKey = key;
    overriding = true;
  }

  async function changed() {
    overriding = false;
    await client.invalidateQueries();
  }

  async function takeBack(key: string, node: string) {
    error = undefined;
    try {
      await ask(
        api.DELETE('/api/v1/overrides', {
          params: { query: { node: node.startsWith('fleet') ? node : `camera:${node}`, key } },
        }),
      );
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }

  async function reapply() {
    error = undefined;
    try {
      const keys = open.filter((f) => !f.key.startsWith('blocked '));
      const work = await ask(
        api.POST('/api/v1/findings/reapply', { body: { findings: keys.map((f) => f.id) } }),
      );
      navigate('/rollouts/:id', { params: { id: String(work.id) } });
    } catch (e) {
      error = e as Error;
    }
  }
</script>

<Page question={camera.data ? camera.data.row.label : name} answer={camera.data?.row.mark.text}>
  {#snippet act()}
    <Allowed to="EDITOR"><button class="act" onclick={() => override('')}>Override …</button></Allowed>
    <Allowed to="TECHNICIAN"
      ><a class="act no-underline" href={p('/rollouts') + `?select=camera:${name}`}>Preview</a></Allowed
    >
  {/snippet}
  <Loaded query={camera}>
    {#snippet children(c)}
      <dl class="mb-8 flex flex-wrap gap-x-8 gap-y-2 text-sm">
        <div>
          <dt class="head">Tuning</dt>
          <dd><TuningMark mark={c.row.mark} wide /></dd>
        </div>
        <div>
          <dt class="head">Camera</dt>
          <dd class="native">{c.row.camera}</dd>
        </div>
        <div>
          <dt class="head">Device</dt>
          <dd>{c.row.deviceName}</dd>
        </div>
        <div>
          <dt class="head">Group</dt>
          <dd>
            <a href={p('/fleet') + '?select=' + encodeURIComponent(groupTerm(c.row.group))}
              >{groupName(c.row.group)}</a
            >
          </dd>
        </div>
        <div>
          <dt class="head">Recorder</dt>
          <dd>
            <a href={p('/recorders/:name', { params: { name: c.row.recorder } })}>{c.row.recorder}</a>
            {c.model}, firmware {c.firmware}
          </dd>
        </div>
        <div>
          <dt class="head">Tags</dt>
          <dd>{c.row.tags.join(', ') || 'none'}</dd>
        </div>
        <div>
          <dt class="head">Read</dt>
          <dd title={when(c.readAt)}>{ago(c.readAt)}</dd>
        </div>
      </dl>
      {#if c.trouble}
        <p class="mb-6 border-l-2 border-loss pl-4">
          The recorder could not be read the last time, so what it holds is not known: {c.trouble}.
        </p>
      {/if}
      <Trouble {error} />

      {#if open.length > 0}
        <section class="mb-10" aria-labelledby="findings">
          <div class="flex items-baseline justify-between gap-4">
            <h2 id="findings" class="text-lg font-semibold">Out of tune</h2>
            <Allowed to="EDITOR"
              ><button class="act act-main" onclick={reapply}>Give out again</button></Allowed
            >
          </div>
          <ul class="mt-2">
            {#each open as f (f.id)}
              <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-2">
                <span class="w-16 text-sm {f.severity === 'HIGH' ? 'font-semibold text-loss' : 'text-faint'}"
                  >{f.severity.toLowerCase()}</span
                >
                <span class="min-w-[220px] flex-1 max-sm:order-last max-sm:basis-full">{f.sentence}</span>
                <span class="text-sm text-faint">since {when(f.firstSeen)}</span>
              </li>
            {/each}
          </ul>
        </section>
      {/if}

      <div class="mb-10 grid gap-10 xl:grid-cols-[2fr_3fr]">
        <section aria-labelledby="areas" class="min-w-0">
          <h2 id="areas" class="mb-3 flex items-baseline justify-between text-lg font-semibold">
            Picture and areas <Allowed to="EDITOR"
              ><button class="act text-sm" onclick={() => override('motion.areas')}>Draw areas …</button
              ></Allowed
            >
          </h2>
          <AreaMap camera={c.row.camera} areas={c.areas} wanted={c.wantedCells} observed={c.observedCells} />
        </section>
        <section aria-labelledby="week" class="min-w-0">
          <h2 id="week" class="mb-3 flex items-baseline justify-between text-lg font-semibold">
            Week <Allowed to="EDITOR"
              ><button class="act text-sm" onclick={() => override('recording.week')}
                >Override the week …</button
              ></Allowed
            >
          </h2>
          <WeekRibbon week={c.week} />
          {#each c.week.differences as d (d.from)}
            <p class="mt-1 text-sm">
              <span class="font-semibold">{d.when}</span>: ought to be {d.wanted}, holds {d.observed}
            </p>
          {/each}
        </section>
      </div>

      {#if c.levels.length > 0 || c.specialDays.length > 0}
        <div class="mb-10 grid gap-10 xl:grid-cols-2"><CameraDays camera={c} /></div>
      {/if}

      <section class="mb-10" aria-labelledby="policy">
        <h2 id="policy" class="text-lg font-semibold">
          What is asked, where from, and what the recorder holds
        </h2>
        <SettingsTable settings={governed} onoverride={override} ontakeback={takeBack} />
        {#each c.blocked as b (b.key + b.origin.text)}
          <p class="mt-2 text-sm text-cannot">
            Without effect: {b.key} of the {b.origin.text}; the {b.fixedBy.text} fixes it.
          </p>
        {/each}
      </section>

      <NodeUses node="camera:{name}" />
      <OverrideList node="camera:{name}" />

      {#if ended.length > 0}
        <section class="mt-10" aria-labelledby="history">
          <h2 id="history" class="text-lg font-semibold">Ended findings</h2>
          <ul class="mt-2 text-sm">
            {#each ended as f (f.id)}
              <li class="flex flex-wrap gap-x-4 border-b border-line/60 py-1.5">
                <span class="min-w-[220px] flex-1 max-sm:order-last max-sm:basis-full">{f.sentence}</span>
                <span class="text-faint">{when(f.firstSeen)} to {when(f.endedAt)}, {f.endedBy}</span>
              </li>
            {/each}
          </ul>
        </section>
      {/if}
    {/snippet}
  </Loaded>
</Page>

<OverrideDialog
  bind:open={overriding}
  at={name}
  description="An exception for this camera alone, with its reason; it lies over the layers above and is given out by a rollout."
  node="camera:{name}"
  {startKey}
  camera={camera.data}
  ondone={changed}
/>
