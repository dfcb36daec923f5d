<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { SvelteSet } from 'svelte/reactivity';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { route } from '../router';
  import Allowed from '../lib/ui/Allowed.svelte';

  const name = $derived(route.params.name ?? '');
  const client = useQueryClient();
  const sheet = createQuery(() => ({
    queryKey: ['sheet', name],
    queryFn: () => ask(api.GET('/api/v1/recorders/{name}/sheet', { params: { path: { name } } })),
  }));
  const done = new SvelteSet<number>();
  let error = $state<Error | undefined>();

  function after(step: Schemas['Step']): string {
    const note = step.note ? ` (${step.note})` : '';
    return `${step.before ? `, was ${step.before}` : ', whatever stands there'}${note}`;
  }

  async function tick(version: string) {
    error = undefined;
    try {
      await ask(
        api.POST('/api/v1/recorders/{name}/sheet/ticks', {
          params: { path: { name } },
          body: { version, steps: [...done] },
        }),
      );
      done.clear();
      await client.invalidateQueries();
    } catch (e) {
      error = e as Error;
    }
  }
</script>

<Page
  question="What is to be done at {name}?"
  answer={sheet.data
    ? sheet.data.steps.length === 0
      ? 'Nothing: everything is set as asked.'
      : `${count(sheet.data.steps.length, 'step')} at the ${sheet.data.title}, in its own units. What is ticked counts as observed by hand, with your name.`
    : undefined}
>
  {#snippet act()}
    <a
      class="act print:hidden"
      href="/api/v1/recorders/{encodeURIComponent(name)}/sheet/file?format=pdf"
      download>PDF</a
    >
    <button class="act print:hidden" onclick={() => window.print()}>Print</button>
  {/snippet}
  <Loaded query={sheet}>
    {#snippet children(s)}
      {#each s.cannot as c (c)}<p class="text-sm text-cannot">Cannot be honoured: {c}</p>{/each}
      {#if s.steps.length === 0}
        <Empty title="The recorder holds what is asked.">A change of policy makes a new sheet.</Empty>
      {:else}
        <ol class="mt-4 max-w-[760px]">
          {#each s.steps as step, i (step.number)}
            {#if i === 0 || s.steps[i - 1]?.camera !== step.camera}
              <li class="mt-5 border-b border-line pb-1 font-semibold">
                <span class="native">{step.camera}</span> · {step.label}
              </li>
            {/if}
            <li class="border-b border-line/60 py-1.5">
              <label class="flex items-start gap-3">
                <input
                  type="checkbox"
                  class="mt-1.5"
                  checked={done.has(step.number)}
                  onchange={(e) =>
                    e.currentTarget.checked ? done.add(step.number) : done.delete(step.number)}
                />
                <span class="w-8 text-right text-faint">{step.number}.</span>
                <span class="flex-1">
                  {step.menu}, {step.entry}:
                  {#if step.after.includes('\n')}
                    paint the watched cells (#)
                    <span class="native block leading-4 whitespace-pre">{step.after}</span>
                  {:else}
                    set <span class="native font-semibold">{step.after}</span><span class="text-faint"
                      >{after(step)}</span
                    >
                  {/if}
                </span>
              </label>
            </li>
          {/each}
        </ol>
        <div class="mt-4 print:hidden">
          <Trouble {error} />
          <Allowed to="TECHNICIAN"
            ><button class="act act-main mt-2" disabled={done.size === 0} onclick={() => tick(s.version)}
              >{done.size === 0 ? 'Tick what was done' : `${count(done.size, 'step')} done`}</button
            ></Allowed
          >
        </div>
      {/if}
    {/snippet}
  </Loaded>
</Page>
