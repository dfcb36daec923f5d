<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { Attempt } from '../lib/attempt.svelte';
  import { cameraTerm } from '../lib/camera';
  import { when } from '../lib/format';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Heads from '../lib/ui/Heads.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';

  /** What else a camera's recorder does when something moves, and whether that was tried and came. */
  let { camera }: { camera: string } = $props();

  const client = useQueryClient();
  const key = $derived(['responses', camera]);
  const responses = createQuery(() => ({
    queryKey: key,
    queryFn: () => ask(api.GET('/api/v1/responses', { params: { query: { select: cameraTerm(camera) } } })),
  }));
  const work = new Attempt();

  const attempt = (setting: string, by: 'recorder' | 'hand') =>
    work.run(
      () => ask(api.POST('/api/v1/response-trials', { body: { camera, setting, by } })),
      () => void client.invalidateQueries({ queryKey: key }),
    );
  const say = (id: number, came: boolean) =>
    work.run(
      () => ask(api.PUT('/api/v1/response-trials/{id}', { params: { path: { id } }, body: { came } })),
      () => void client.invalidateQueries({ queryKey: key }),
    );

  function words(r: Schemas['ResponseView']): string {
    const last = r.last;
    if (!last) {
      return 'never tried';
    }
    const came =
      last.came === undefined ? 'nobody has said whether it came' : last.came ? 'came' : 'did not come';
    const how = last.by === 'hand' ? 'by hand' : 'by the recorder’s test';
    return `${came}, tried ${when(last.at)} ${how} by ${last.who}${last.said.startsWith('refused') ? ` (${last.said})` : ''}${
      last.note ? `; ${last.note}` : ''
    }${last.since ? `; it held ${last.held} then` : ''}`;
  }
</script>

{#if responses.data && responses.data.length > 0}
  <section class="mb-10" aria-labelledby="responses">
    <h2 id="responses" class="mb-2 text-lg font-semibold">What else happens when something moves</h2>
    <Trouble error={work.error} />
    <div class="overflow-x-auto">
      <table class="w-full min-w-[640px] text-sm">
        <Heads titles={['Response', 'Held', 'Tried', '']} />
        <tbody>
          {#each responses.data as r (r.setting)}
            <tr class="border-b border-line/60 align-top">
              <td class="py-2 pr-4 font-semibold">{r.title}</td>
              <td class="native py-2 pr-4">{r.held}</td>
              <td class="py-2 pr-4 {r.last?.came === false || r.last?.since ? 'text-loss' : ''}"
                >{words(r)}</td
              >
              <td class="py-1.5 text-right whitespace-nowrap">
                <Allowed to="TECHNICIAN">
                  {#if r.last && r.last.came === undefined && !r.last.since}
                    <button class="act text-sm" disabled={work.busy} onclick={() => say(r.last!.id, true)}
                      >It came</button
                    >
                    <button class="act text-sm" disabled={work.busy} onclick={() => say(r.last!.id, false)}
                      >It did not</button
                    >
                  {:else if r.tests}
                    <button
                      class="act text-sm"
                      disabled={work.busy}
                      onclick={() => attempt(r.setting, 'recorder')}
                      aria-label="Try {r.title}">Try it</button
                    >
                  {:else}
                    <button
                      class="act text-sm"
                      disabled={work.busy}
                      onclick={() => attempt(r.setting, 'hand')}
                      aria-label="{r.title} was tried by hand">I made something move</button
                    >
                  {/if}
                </Allowed>
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </section>
{/if}
