<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { bytes, count, groupName, groupTerm } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import { cameraPath, navigate, route } from '../router';
  import {
    amount,
    answer,
    days,
    load,
    place,
    scaleOf,
    storeName,
    TRIGGERS,
    VERDICTS,
    type Store,
  } from './disks/room';
  import SizeDialog from './disks/SizeDialog.svelte';
  import StoreDetail from './disks/StoreDetail.svelte';
  import StoreLine from './disks/StoreLine.svelte';

  const select = $derived(String(route.search.select ?? ''));
  const chosen = $derived(String(route.search.store ?? ''));

  type GroupLoad = Schemas['GroupLoad'];
  const GROUPS: ListColumn<GroupLoad>[] = [
    { key: 'group', title: 'Group', value: (g) => groupName(g.group) },
    { key: 'now', title: 'Now', value: (g) => g.now.allBytesADay.likely, text: (g) => load(g, g.now) },
    { key: 'then', title: 'Then', value: (g) => g.then.allBytesADay.likely, text: (g) => load(g, g.then) },
  ];

  const forecast = createQuery(() => ({
    queryKey: ['forecast', select],
    queryFn: () => ask(api.GET('/api/v1/forecast', { params: { query: { select, limit: 100 } } })),
  }));
  const stores = $derived(forecast.data?.told ?? []);
  const scale = $derived(scaleOf(stores));
  let sizing = $state<Store | undefined>();

  function choose(store: Store) {
    const name = storeName(store);
    const search: Record<string, string> = select ? { select } : {};
    if (name !== chosen) {
      search.store = name;
    }
    navigate('/disks', { search });
  }
</script>

<Page question="For how long does footage live?" answer={forecast.data && answer(forecast.data)}>
  <Loaded query={forecast}>
    {#if forecast.data}
      {@const f = forecast.data}
      <dl class="mb-6 flex flex-wrap gap-x-10 gap-y-3">
        <div>
          <dt class="head">Put on disks each day</dt>
          <dd class="text-lg">{amount(f.now.allBytesADay)}</dd>
        </div>
        <div>
          <dt class="head">Once policy is given out</dt>
          <dd class="text-lg">{amount(f.then.allBytesADay)}</dd>
        </div>
        {#each Object.entries(f.then.bytesADay) as [by, range] (by)}
          <div>
            <dt class="head flex items-center gap-1.5">
              <span class="inline-block h-3 w-4 rounded-[2px] {TRIGGERS[by]?.texture}" aria-hidden="true"
              ></span>
              of that {TRIGGERS[by]?.word}
            </dt>
            <dd class="text-lg">{bytes(range.likely ?? 0)}</dd>
          </div>
        {/each}
      </dl>
      {#if stores.length === 0}
        <Empty title="Nothing is known of any disk.">Read a recorder first.</Empty>
      {:else}
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[820px] text-sm">
            <thead>
              <tr class="border-b border-line align-bottom">
                <th class="head py-2 pr-4" scope="col">Store</th>
                <th class="head py-2 pr-4" scope="col">Size</th>
                <th class="head w-[38%] py-2 pr-4" scope="col">
                  <span class="relative block h-5">
                    {#each [0, scale / 2, scale] as tick (tick)}
                      <span
                        class="absolute font-normal whitespace-nowrap {tick === 0
                          ? ''
                          : tick === scale
                            ? '-translate-x-full'
                            : '-translate-x-1/2'}"
                        style:left="{place(tick, scale)}%">{tick}{tick === scale ? ' days' : ''}</span
                      >
                    {/each}
                  </span>
                </th>
                <th class="head py-2 pr-4" scope="col">Now</th>
                <th class="head py-2 pr-4" scope="col">Then</th>
                <th class="head py-2 pr-4" scope="col">Wanted</th>
              </tr>
            </thead>
            <tbody>
              {#each stores as store (storeName(store))}
                {@const open = chosen === storeName(store)}
                {@const verdict = VERDICTS[store.then.verdict]}
                {@const atLeast = store.size?.atLeast ?? false}
                <tr class="border-b border-line/60 align-top">
                  <td class="py-2 pr-4">
                    <button
                      class="native text-left underline decoration-line underline-offset-4 hover:decoration-ink"
                      aria-expanded={open}
                      onclick={() => choose(store)}>{storeName(store)}</button
                    >
                    <div class="text-xs text-faint">
                      {count(store.cameras, 'camera')}{store.unknown > 0
                        ? `, ${store.unknown} not known`
                        : ''}
                    </div>
                  </td>
                  <td class="py-2 pr-4 whitespace-nowrap">
                    {#if store.size}
                      {atLeast ? 'at least ' : ''}{bytes(store.size.bytes)}
                      <div class="text-xs text-faint">
                        {store.size.basis === 'SAID' ? 'as somebody said' : 'by what is on it'}
                      </div>
                    {:else}
                      <span class="text-unknown">not known</span>
                    {/if}
                  </td>
                  <td class="py-2 pr-4"><StoreLine {store} {scale} /></td>
                  <td class="py-2 pr-4">{days(store.now.days, atLeast)}</td>
                  <td class="py-2 pr-4">
                    {days(store.then.days, atLeast)}
                    {#if store.then.allowed !== undefined && (store.then.days?.likely ?? 0) > store.then.allowed + 1}
                      <div class="text-xs text-faint">deleted after {store.then.allowed}</div>
                    {/if}
                  </td>
                  <td class="py-2 pr-4 whitespace-nowrap">
                    {store.then.wanted === undefined ? '–' : `${store.then.wanted} days`}
                    {#if store.then.wanted !== undefined}
                      <div
                        class="{verdict?.tone} {store.then.verdict === 'TOO_SHORT' ? 'font-semibold' : ''}"
                      >
                        {verdict?.word}
                      </div>
                    {/if}
                  </td>
                </tr>
                {#if open}
                  <tr class="border-b border-line/60 bg-raised">
                    <td colspan="6" class="px-4"><StoreDetail {store} onsize={() => (sizing = store)} /></td>
                  </tr>
                {/if}
              {/each}
            </tbody>
          </table>
        </div>
        <p class="mt-2 text-xs text-faint">
          Of each store the upper line is as recorders are set now, the lower once policy is given out: solid
          what is sure, pale what is not, a mark at what is likely; dashed for how long footage is wanted.{#if f.stores > stores.length}
            These are the {stores.length} most urgent of {f.stores}; choose cameras above for others.
          {/if}
        </p>
      {/if}
      {#if f.costliest.length > 0}
        <div class="mt-8 grid gap-8 lg:grid-cols-[3fr_2fr]">
          <section aria-label="What takes the most room">
            <h2 class="mb-2 text-lg font-semibold">What takes the most room</h2>
            <div class="relative overflow-x-auto">
              <table class="w-full text-sm">
                <Heads titles={['Camera', 'A day', 'Recorded', 'By']} />
                <tbody>
                  {#each f.costliest as camera (camera.camera)}
                    <tr class="border-b border-line/60 align-top">
                      <td class="py-1.5 pr-4">
                        <a class="native" href={cameraPath(camera.camera)}>{camera.camera}</a>
                        <div class="text-xs text-faint">{camera.label}</div>
                      </td>
                      <td class="py-1.5 pr-4 whitespace-nowrap">{bytes(camera.bytesADay.likely ?? 0)}</td>
                      <td class="py-1.5 pr-4 whitespace-nowrap"
                        >{(camera.hoursADay.likely ?? 0).toLocaleString('en-GB', {
                          maximumFractionDigits: 1,
                        })} h a day</td
                      >
                      <td class="py-1.5 pr-4">
                        {Object.keys(camera.byTrigger)
                          .map((by) => TRIGGERS[by]?.word)
                          .join(', ')}
                        {#if camera.basis === 'ASSUMED'}<div class="text-xs text-faint">
                            bits assumed
                          </div>{/if}
                      </td>
                    </tr>
                  {/each}
                </tbody>
              </table>
            </div>
          </section>
          <section aria-label="By group">
            <h2 class="mb-2 text-lg font-semibold">By group</h2>
            {#snippet group(g: GroupLoad)}
              <a
                class="underline decoration-line underline-offset-4 hover:decoration-ink"
                href="/disks?select={encodeURIComponent(groupTerm(g.group))}">{groupName(g.group)}</a
              >
            {/snippet}
            <List
              name="disk-groups"
              unit="group"
              rows={f.groups}
              columns={GROUPS}
              of={(g) => g.group}
              cells={{ group }}
              part
            />
          </section>
        </div>
      {/if}
      <p class="mt-6 max-w-[90ch] text-xs text-faint">
        An average day of the four weeks from {f.from}, {f.basis}.{#if f.unknown > 0}
          {count(f.unknown, 'camera')} of which nobody knows when {f.unknown === 1
            ? 'it records is'
            : 'they record are'} not counted.
        {/if}
      </p>
    {/if}
  </Loaded>
</Page>
{#if sizing}<SizeDialog store={sizing} onclose={() => (sizing = undefined)} />{/if}
