<script lang="ts">
  import { createQuery, keepPreviousData } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { bytes } from '../lib/format';
  import { days, storeName, VERDICTS } from './disks/room';

  /** What a template's text would make of the disks of the recorders that it reaches, beside the one in force. */
  let { name, text }: { name: string; text: string } = $props();

  const MOST = 5;
  const body = $derived({ select: `template:${name}`, limit: 100 });
  const before = createQuery(() => ({
    queryKey: ['forecast', body.select],
    queryFn: () => ask(api.POST('/api/v1/forecasts', { body: { ...body, files: [] } })),
  }));
  const after = createQuery(() => ({
    queryKey: ['template-draft-price', body.select, text],
    queryFn: ({ signal }) =>
      ask(
        api.POST('/api/v1/forecasts', { body: { ...body, files: [{ name: `${name}.yaml`, text }] }, signal }),
      ),
    placeholderData: keepPreviousData,
    gcTime: 0,
  }));

  const changed = $derived.by(() => {
    const was = new Map((before.data?.told ?? []).map((store) => [storeName(store), store]));
    return (after.data?.told ?? [])
      .map((store) => ({ store, was: was.get(storeName(store)) }))
      .filter(
        ({ store, was }) =>
          was !== undefined &&
          (days(was.then.days) !== days(store.then.days) || was.then.verdict !== store.then.verdict),
      );
  });
</script>

{#if before.data && after.data}
  {@const was = before.data.then}
  {@const will = after.data.then}
  <p class="mt-2" aria-live="polite">
    {#if will.allBytesADay.likely === was.allBytesADay.likely}
      It would put as much on disks as the one in force.
    {:else}
      Disk a day on the recorders that it reaches: {bytes(was.allBytesADay.likely ?? 0)} →
      <b>{bytes(will.allBytesADay.likely ?? 0)}</b>; recorded {Math.round(
        was.hoursADay.likely ?? 0,
      ).toLocaleString('en-GB')} → <b>{Math.round(will.hoursADay.likely ?? 0).toLocaleString('en-GB')} h</b> a day.
    {/if}
  </p>
  {#each changed.slice(0, MOST) as { store, was: old } (storeName(store))}
    <p class="text-sm {store.then.verdict === 'TOO_SHORT' ? 'text-loss' : ''}">
      <span class="native">{storeName(store)}</span>
      {days(old?.then.days, old?.size?.atLeast)} → {days(store.then.days, store.size?.atLeast)}{store.then
        .wanted === undefined
        ? ''
        : `, ${store.then.wanted} wanted: ${VERDICTS[store.then.verdict]?.word}`}
    </p>
  {/each}
  {#if changed.length > MOST}<p class="text-sm text-faint">and {changed.length - MOST} more</p>{/if}
{/if}
