<script lang="ts">
  import { createQuery, useQueryClient } from '@tanstack/svelte-query';
  import { api, ask, type Schemas } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import Empty from '../lib/ui/Empty.svelte';
  import type { ListColumn } from '../lib/list/arrange';
  import List from '../lib/list/List.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Modal from '../lib/ui/Modal.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { navigate, p } from '../router';
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

  type Row = Schemas['TemplateRow'];
  const COLUMNS: ListColumn<Row>[] = [
    { key: 'name', title: 'Template', value: (t) => t.name },
    { key: 'title', title: 'Title', value: (t) => t.title },
    { key: 'revision', title: 'Revision', value: (t) => t.revision },
    { key: 'base', title: 'Extends', value: (t) => t.base },
    { key: 'usedAt', title: 'Used at', value: (t) => t.usedAt.join(' ') },
    { key: 'at', title: 'Last written', value: (t) => t.at },
  ];

  let name = $state('');
  let title = $state('');
  let base = $state('');
  let error = $state<Error | undefined>();

  async function make(text: string) {
    await ask(api.POST('/api/v1/templates', { body: { text } }));
    making = false;
    await client.invalidateQueries();
  }

  /** Begins with nothing said, and goes on in the editor. */
  async function begin(event: SubmitEvent) {
    event.preventDefault();
    error = undefined;
    const lines = { template: name, title, extends: base };
    try {
      await make(
        Object.entries(lines)
          .filter(([, word]) => word.trim())
          .map(([key, word]) => `${key}: ${JSON.stringify(word.trim())}\n`)
          .join(''),
      );
      navigate('/templates/:name/edit', { params: { name } });
    } catch (e) {
      error = e as Error;
    }
  }
</script>

<Page
  question="What is said for many?"
  answer={templates.data
    ? templates.data.length === 0
      ? 'Nothing yet.'
      : `${count(templates.data.length, 'template')}, each used where it stands below.`
    : undefined}
>
  {#snippet act()}
    <Allowed to="EDITOR" fleet
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
        {#snippet named(t: Row)}
          <a href={p('/templates/:name', { params: { name: t.name } })}>{t.name}</a>
        {/snippet}
        {#snippet usedAt(t: Row)}
          {#each t.usedAt as node (node)}<div>{node}</div>{:else}<span class="text-faint">nowhere</span
            >{/each}
        {/snippet}
        {#snippet at(t: Row)}
          <span class="whitespace-nowrap text-faint">{when(t.at)} by {t.author}</span>
        {/snippet}
        <List
          name="templates"
          unit="template"
          rows={all}
          columns={COLUMNS}
          of={(t) => t.name}
          cells={{ name: named, usedAt, at }}
        />
      {/if}
    {/snippet}
  </Loaded>
</Page>

<Modal
  bind:open={making}
  title="New template"
  description="It says nothing at first; what it says comes next."
>
  <form class="grid gap-4" onsubmit={begin}>
    <label
      ><span class="head mb-1 block">Name</span>
      <input class="field w-full" bind:value={name} name="name" required placeholder="quay-outside" /></label
    >
    <label
      ><span class="head mb-1 block">Title</span>
      <input
        class="field w-full"
        bind:value={title}
        name="title"
        maxlength="200"
        placeholder="Open quays and aprons"
      /></label
    >
    <label
      ><span class="head mb-1 block">Extends</span>
      <select class="field w-full" bind:value={base} name="extends">
        <option value="">no other template</option>
        {#each templates.data ?? [] as t (t.name)}<option value={t.name}>{t.name}: {t.title}</option>{/each}
      </select></label
    >
    <Trouble {error} />
    <div><button class="act act-main">Begin it</button></div>
  </form>
  <details class="mt-6 border-t border-line pt-4">
    <summary class="cursor-pointer text-accent">or from the text of a policy file</summary>
    <div class="mt-4"><TemplateText text={START} act="Make the template" save={make} /></div>
  </details>
</Modal>
