<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { nodeName } from '../lib/camera';
  import { groupName, when } from '../lib/format';
  import Loaded from '../lib/ui/Loaded.svelte';
  import LineCompare from '../lib/ui/LineCompare.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { p, route } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';

  const name = $derived(route.params.name ?? '');
  const client = useQueryClient();
  const template = createQuery(() => ({
    queryKey: ['template', name],
    queryFn: () => ask(api.GET('/api/v1/templates/{name}', { params: { path: { name } } })),
  }));
  const groups = createQuery(() => ({
    queryKey: ['groups'],
    queryFn: () => ask(api.GET('/api/v1/groups')),
  }));
  let node = $state('');
  let error = $state<Error | undefined>();

  async function attempt(work: () => Promise<unknown>) {
    error = undefined;
    try {
      await work();
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }

  const use = () => attempt(() => ask(api.POST('/api/v1/uses', { body: { template: name, node } })));
  const stop = (at: string) =>
    attempt(() =>
      ask(
        api.DELETE('/api/v1/uses', {
          params: { query: { template: name, node: nodeName(at) } },
        }),
      ),
    );
  const revisions = createQuery(() => ({
    queryKey: ['template', name, 'revisions'],
    queryFn: () => ask(api.GET('/api/v1/templates/{name}/revisions', { params: { path: { name } } })),
  }));
  let older = $state(0);
  let newer = $state(0);
  const before = $derived(
    revisions.data?.find((r) => r.revision === (older || (template.data?.revision ?? 0) - 1)),
  );
  const after = $derived(revisions.data?.find((r) => r.revision === (newer || template.data?.revision)));
</script>

<Page
  question={name}
  answer={template.data
    ? `Revision ${template.data.revision}, written ${when(template.data.at)} by ${template.data.author}.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="EDITOR" fleet
      ><a class="act act-main no-underline" href={p('/templates/:name/edit', { params: { name } })}>Change</a
      ></Allowed
    >
    <Allowed to="TECHNICIAN"
      ><a class="act no-underline" href={p('/rollouts') + `?select=template:${name}`}>Preview</a></Allowed
    >
  {/snippet}
  <Loaded query={template}>
    {#snippet children(t)}
      <div class="grid gap-10 lg:grid-cols-[3fr_2fr]">
        <pre class="native overflow-x-auto border-y border-line py-4 leading-5">{t.text}</pre>
        <section aria-labelledby="used">
          <h2 id="used" class="text-lg font-semibold">Used at</h2>
          <ul class="mt-2">
            {#each t.usedAt as at (at)}
              <li class="flex justify-between border-b border-line/60 py-1.5">
                {at}
                <Allowed to="EDITOR" fleet
                  ><button class="text-sm text-accent underline" onclick={() => stop(at)}
                    >stop using<span class="sr-only"> at {at}</span></button
                  ></Allowed
                >
              </li>
            {:else}
              <li class="text-faint">nowhere yet</li>
            {/each}
          </ul>
          <Allowed to="EDITOR" fleet
            ><form
              class="mt-4 flex flex-wrap items-end gap-2"
              onsubmit={(e) => {
                e.preventDefault();
                void use();
              }}
            >
              <label class="flex-1">
                <span class="head mb-1 block">Use it on a group</span>
                <select class="field w-full" bind:value={node} name="node" required>
                  <option value="" disabled>choose …</option>
                  {#each groups.data ?? [] as g (g.group)}<option value={g.group}
                      >{groupName(g.group)} ({g.cameras})</option
                    >{/each}
                </select>
              </label>
              <button class="act act-main">Use it there</button>
            </form></Allowed
          >
          <div class="mt-3"><Trouble {error} /></div>
        </section>
      </div>
      {#if revisions.data && revisions.data.length > 1}
        <section class="mt-10" aria-labelledby="revisions">
          <h2 id="revisions" class="text-lg font-semibold">Revisions</h2>
          <div class="my-3 flex flex-wrap items-center gap-2 text-sm">
            <label
              >From <select class="field py-0" aria-label="Older revision" bind:value={older}>
                <option value={0}>the one before</option>
                {#each revisions.data as r (r.revision)}<option value={r.revision}
                    >{r.revision}, {r.author}, {when(r.at)}</option
                  >{/each}
              </select></label
            >
            <label
              >to <select class="field py-0" aria-label="Newer revision" bind:value={newer}>
                <option value={0}>the latest</option>
                {#each revisions.data as r (r.revision)}<option value={r.revision}
                    >{r.revision}, {r.author}, {when(r.at)}</option
                  >{/each}
              </select></label
            >
          </div>
          {#if before && after}<LineCompare before={before.text} after={after.text} />{/if}
        </section>
      {/if}
    {/snippet}
  </Loaded>
</Page>
