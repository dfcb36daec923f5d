<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { segments } from '../lib/camera';
  import { when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Long from '../lib/ui/Long.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import TuningMark from '../lib/ui/TuningMark.svelte';
  import { WorkFollower } from '../lib/work.svelte';
  import { cameraPath, route } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';
  import RecorderFacts from './RecorderFacts.svelte';
  import RecorderPause from './RecorderPause.svelte';
  import { held, holds } from './recorder-holds';

  const name = $derived(route.params.name ?? '');
  const client = useQueryClient();
  const recorder = createQuery(() => ({
    queryKey: ['recorder', name],
    queryFn: () => ask(api.GET('/api/v1/recorders/{name}', { params: { path: { name } } })),
  }));
  const cameras = createQuery(() => ({
    queryKey: ['holds', name],
    queryFn: async () => {
      const page = await ask(
        api.GET('/api/v1/cameras', { params: { query: { select: `recorder:${name}`, limit: 1000 } } }),
      );
      return Promise.all(
        page.items.map((c) =>
          ask(
            api.GET('/api/v1/cameras/{recorder}/{channel}', {
              params: { path: segments(c.camera) },
            }),
          ),
        ),
      );
    },
  }));
  const reading = new WorkFollower();
  let error = $state<Error | undefined>();

  async function read() {
    error = undefined;
    try {
      const work = await ask(api.POST('/api/v1/readings', { body: { recorders: [name] } }));
      reading.follow(work.id, () => client.invalidateQueries());
    } catch (e) {
      error = e as Error;
    }
  }

  const answer = $derived(
    recorder.data
      ? recorder.data.trouble ||
          `${recorder.data.manufacturer} ${recorder.data.model}, firmware ${recorder.data.firmware}, zone ${recorder.data.zone}; read ${when(recorder.data.readAt)}.`
      : undefined,
  );
  const together = $derived(holds(cameras.data ?? []));
</script>

<Page question="What does {name} hold now?" {answer}>
  {#snippet act()}
    <Allowed to="TECHNICIAN"
      ><button class="act act-main" onclick={read} disabled={reading.running}
        >{reading.running ? 'Reading …' : 'Read it now'}</button
      ></Allowed
    >
  {/snippet}
  <Trouble {error} />
  {#if recorder.data}
    <RecorderPause recorder={recorder.data} onchanged={() => client.invalidateQueries()} />
    <RecorderFacts recorder={recorder.data} onchanged={() => client.invalidateQueries()} />
  {/if}
  <Loaded query={cameras}>
    {#snippet children(all)}
      {#if together.shared.length + together.differing.length === 0}
        <Empty title="Nothing is known of its cameras.">It was not read yet, or it did not answer.</Empty>
      {:else}
        {#if together.shared.length > 0}
          <section class="mb-6" aria-label="What all its cameras hold">
            <h2 class="mb-2 font-semibold">What all {all.length} cameras hold</h2>
            <dl
              class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1 text-sm sm:grid-cols-[auto_1fr_auto_1fr] lg:grid-cols-[auto_1fr_auto_1fr_auto_1fr]"
            >
              {#each together.shared as one (one.key)}
                <dt class="text-faint">{one.title}</dt>
                <dd class="native min-w-0 break-words">
                  <Long text={one.value} longest={160} />
                </dd>
              {/each}
            </dl>
          </section>
        {/if}
        <h2 class="mb-2 font-semibold">
          {together.differing.length === 0 ? 'Its cameras, which hold the same' : 'Camera by camera'}
        </h2>
        <div class="relative overflow-x-auto">
          <table class="w-full text-sm">
            <thead>
              <tr class="border-b border-line align-bottom">
                <th class="head py-2 pr-4" scope="col">Tuning</th>
                <th class="head py-2 pr-4" scope="col">Camera</th>
                {#each together.differing as key (key.key)}<th class="head py-2 pr-4" scope="col"
                    >{key.title}</th
                  >{/each}
              </tr>
            </thead>
            <tbody>
              {#if all.length > 1}
                <tr class="border-b border-line/60 align-top text-faint">
                  <td></td>
                  <th scope="row" class="py-2 pr-4 text-left font-normal">most of them</th>
                  {#each together.differing as key (key.key)}
                    <td class="native max-w-[280px] py-2 pr-4"
                      ><Long text={key.usual || '–'} longest={60} /></td
                    >
                  {/each}
                </tr>
              {/if}
              {#each all as camera (camera.row.camera)}
                <tr class="border-b border-line/60 align-top hover:bg-raised">
                  <td class="py-2 pr-4"><TuningMark mark={camera.row.mark} /></td>
                  <td class="py-2 pr-4 whitespace-nowrap">
                    <a href={cameraPath(camera.row.camera)} class="native">{camera.row.camera}</a>
                    {camera.row.label}
                  </td>
                  {#each together.differing as key (key.key)}
                    {@const value = held(camera, key.key)}
                    <td class="native max-w-[280px] py-2 pr-4 font-semibold">
                      {#if value === key.usual && all.length > 1}
                        <span class="sr-only">as most of them</span>
                      {:else}<Long text={value || '–'} longest={60} />{/if}
                    </td>
                  {/each}
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {/if}
    {/snippet}
  </Loaded>
</Page>
