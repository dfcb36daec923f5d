<script lang="ts">
  import Heads from '../lib/ui/Heads.svelte';
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import { p } from '../router';
  import TemplateText from './TemplateText.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';

  const client = useQueryClient();
  const templates = createQuery(() => ({
    queryKey: ['templates'],
    queryFn: () => ask(api.GET('/api/v1/templates')),
  }));
  let making = $state(false);
  const START = `template: my-template
title: What it is for
motion:
  detection: on
  sensitivity: 60
recording:
  week:
    - daily: motion
`;

  async function make(text: string) {
    await ask(api.POST('/api/v1/templates', { body: { text } }));
    making = false;
    await client.invalidateQueries();
  }
</script>

<Page
  question="What is said for many?"
  answer={templates.data
    ? `${count(templates.data.length, 'template')}, each used where it stands below.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="EDITOR"
      ><button class="act act-main" onclick={() => (making = true)}>New template …</button></Allowed
    >
  {/snippet}
  <Loaded query={templates}>
    {#snippet children(all)}
      {#if all.length === 0}
        <Empty title="No template yet."
          >A template is a named bundle of settings that many groups can use.</Empty
        >
      {:else}
        <div class="relative overflow-x-auto">
          <table class="w-full min-w-[720px] text-sm">
            <Heads titles={['Template', 'Title', 'Revision', 'Extends', 'Used at', 'Last written']} />
            <tbody>
              {#each all as t (t.name)}
                <tr class="border-b border-line/60 align-top hover:bg-raised">
                  <td class="py-2 pr-4"
                    ><a href={p('/templates/:name', { params: { name: t.name } })}>{t.name}</a></td
                  >
                  <td class="py-2 pr-4">{t.title}</td>
                  <td class="py-2 pr-4">{t.revision}</td>
                  <td class="py-2 pr-4">{t.base ?? ''}</td>
                  <td class="py-2 pr-4">
                    {#each t.usedAt as node (node)}<div>{node}</div>{:else}<span class="text-faint"
                        >nowhere</span
                      >{/each}
                  </td>
                  <td class="py-2 pr-4 whitespace-nowrap text-faint">{when(t.at)} by {t.author}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        </div>
      {/if}
    {/snippet}
  </Loaded>
</Page>

<Modal
  bind:open={making}
  title="New template"
  description="In the form of policy files; a file can be chosen or its text pasted."
>
  <TemplateText text={START} act="Make the template" save={make} />
</Modal>
