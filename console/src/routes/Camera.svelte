<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { overridesAt, takeBack as takeBackAt } from '../lib/api/said';
  import { cameraTerm, named, nodeName } from '../lib/camera';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import WeekRibbon from '../lib/ui/WeekRibbon.svelte';
  import { navigate, p, route } from '../router';
  import LastDays from './activity/LastDays.svelte';
  import AreaMap from './AreaMap.svelte';
  import CameraDays from './CameraDays.svelte';
  import CameraFacts from './CameraFacts.svelte';
  import EndedFindings from './EndedFindings.svelte';
  import NodeUses from './NodeUses.svelte';
  import OpenFindings from './OpenFindings.svelte';
  import OverrideDialog from './OverrideDialog.svelte';
  import OverrideList from './OverrideList.svelte';
  import Responses from './Responses.svelte';
  import SettingsTable from './SettingsTable.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const path = $derived({ recorder: route.params.recorder ?? '', channel: route.params.channel ?? '' });
  const name = $derived(named(path));
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

  async function attempt(work: () => Promise<void>) {
    error = undefined;
    try {
      await work();
    } catch (e) {
      error = e as Error;
    }
  }

  const takeBack = (key: string, node: string) =>
    attempt(async () => {
      const at = nodeName(node);
      await takeBackAt(at, key, (await overridesAt(at)).version);
      await client.invalidateQueries();
    });

  const reapply = (ids: number[]) =>
    attempt(async () => {
      const work = await ask(api.POST('/api/v1/findings/reapply', { body: { findings: ids } }));
      navigate('/rollouts/:id', { params: { id: String(work.id) } });
    });
</script>

<Page question={camera.data ? camera.data.row.label : name} answer={camera.data?.row.mark.text}>
  {#snippet act()}
    <Allowed to="EDITOR"><button class="act" onclick={() => override('')}>Override …</button></Allowed>
    <Allowed to="FOOTAGE"
      ><a class="act no-underline" href={p('/cameras/:recorder/:channel/tune', { params: path })}>Tune</a>
      <a class="act no-underline" href={p('/cameras/:recorder/:channel/search', { params: path })}>Search</a
      ></Allowed
    >
    <Allowed to="TECHNICIAN"
      ><a class="act no-underline" href={p('/rollouts') + '?select=' + encodeURIComponent(cameraTerm(name))}
        >Preview</a
      ></Allowed
    >
  {/snippet}
  <Loaded query={camera}>
    {#snippet children(c)}
      <CameraFacts camera={c} />
      <Trouble {error} />

      <OpenFindings findings={open} group={c.row.group.replace(/^fleet\/?/, '')} onreapply={reapply} />

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

      <section class="mb-10" aria-labelledby="lately">
        <h2 id="lately" class="mb-2 text-lg font-semibold">Now, and what was recorded in the last 30 days</h2>
        {#key name}<LastDays select={cameraTerm(name)} days={30} named={false} />{/key}
      </section>

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

      {#key name}<Responses camera={name} />{/key}
      <NodeUses node="camera:{name}" />
      <OverrideList node="camera:{name}" />

      <EndedFindings findings={ended} />
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
