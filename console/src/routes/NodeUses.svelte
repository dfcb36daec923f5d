<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { p } from '../router';

  /** The templates used at a node, in the order in which they are laid over each other. */
  let { node }: { node: string } = $props();

  const client = useQueryClient();
  const uses = createQuery(() => ({
    queryKey: ['uses', node],
    queryFn: () => ask(api.GET('/api/v1/uses', { params: { query: { node } } })),
  }));
  const templates = createQuery(() => ({
    queryKey: ['templates'],
    queryFn: () => ask(api.GET('/api/v1/templates')),
  }));
  const here = $derived(uses.data?.templates ?? []);
  const others = $derived((templates.data ?? []).filter((t) => !here.includes(t.name)));
  let error = $state<Error | undefined>();

  async function put(next: string[]) {
    error = undefined;
    try {
      await ask(
        api.PUT('/api/v1/uses', {
          params: { header: { 'If-Match': `"${uses.data?.version ?? 0}"` } },
          body: { node, templates: next },
        }),
      );
    } catch (e) {
      error = e as Error;
    }
    await client.invalidateQueries();
  }

  function later(name: string) {
    const at = here.indexOf(name);
    const next = here.filter((t) => t !== name);
    next.splice(at + 1, 0, name);
    void put(next);
  }
</script>

<section class="mt-10" aria-labelledby="uses">
  <h2 id="uses" class="text-lg font-semibold">Templates used here</h2>
  <ol class="mt-2 text-sm">
    {#each here as name, i (name)}
      <li class="flex flex-wrap items-baseline gap-x-4 border-b border-line/60 py-2">
        <span class="w-6 text-faint">{i + 1}</span>
        <a class="flex-1" href={p('/templates/:name', { params: { name } })}>{name}</a>
        <Allowed to="EDITOR">
          {#if i < here.length - 1}
            <button class="text-accent underline" onclick={() => later(name)}
              >lay over the next<span class="sr-only"> template: {name}</span></button
            >
          {/if}
          <button class="text-accent underline" onclick={() => put(here.filter((t) => t !== name))}
            >stop using<span class="sr-only"> {name}</span></button
          >
        </Allowed>
      </li>
    {:else}
      <li class="text-faint">None; what the groups above use holds here.</li>
    {/each}
  </ol>
  {#if here.length > 1}
    <p class="mt-1 text-xs text-faint">Where two of them speak of the same, the later one counts.</p>
  {/if}
  <Allowed to="EDITOR">
    {#if others.length > 0}
      <label class="mt-2 inline-block text-sm"
        >Use one more
        <select
          class="field py-0"
          name="use"
          value=""
          onchange={(e) => {
            void put([...here, e.currentTarget.value]);
            e.currentTarget.value = '';
          }}
        >
          <option value="" disabled>choose …</option>
          {#each others as t (t.name)}<option value={t.name}>{t.name}: {t.title}</option>{/each}
        </select></label
      >
    {/if}
  </Allowed>
  <Trouble {error} />
</section>
