<script lang="ts">
  import { createQuery, keepPreviousData, skipToken, useQueryClient } from '@tanstack/svelte-query';
  import { blockNavigation } from 'sv-router';
  import { api, ask } from '../lib/api/client';
  import { rested } from '../lib/rested.svelte';
  import { person } from '../lib/session.svelte';
  import Allowed from '../lib/ui/Allowed.svelte';
  import Empty from '../lib/ui/Empty.svelte';
  import Loaded from '../lib/ui/Loaded.svelte';
  import Page from '../lib/ui/Page.svelte';
  import Trouble from '../lib/ui/Trouble.svelte';
  import { navigate, p, route } from '../router';
  import Conflict from './Conflict.svelte';
  import DraftPrice from './DraftPrice.svelte';
  import DraftProof from './DraftProof.svelte';
  import DraftText from './DraftText.svelte';
  import { TemplateEditing } from './template-editing.svelte';
  import TemplateForm from './TemplateForm.svelte';
  import TemplateSource from './TemplateSource.svelte';

  const name = $derived(route.params.name ?? '');
  const client = useQueryClient();
  const template = createQuery(() => ({
    queryKey: ['template', name, 'edit'],
    queryFn: () => ask(api.GET('/api/v1/templates/{name}', { params: { path: { name } } })),
    staleTime: Infinity,
    gcTime: 0,
  }));

  const editing = new TemplateEditing(() => name);
  const draft = $derived(editing.draft);
  $effect(() => {
    if (template.data) {
      editing.open(template.data);
    }
  });

  const typed = rested(() => (draft && !draft.fault && person.may('EDITOR') ? draft.text : undefined), 400);
  const judged = createQuery(() => {
    const text = typed.current;
    return {
      queryKey: ['template-draft', text],
      queryFn:
        text === undefined
          ? skipToken
          : ({ signal }) => ask(api.POST('/api/v1/template-drafts', { body: { text }, signal })),
      placeholderData: keepPreviousData,
      gcTime: 0,
    };
  });

  async function save() {
    if (await editing.save()) {
      await client.invalidateQueries();
      navigate('/templates/:name', { params: { name } });
    }
  }

  const leave = () =>
    !draft?.changed || window.confirm('Leave without saving? What you changed here would be lost.');
  $effect(() => blockNavigation({ beforeUnload: () => !draft?.changed, onNavigate: leave }));

  function key(event: KeyboardEvent) {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 's') {
      event.preventDefault();
      void save();
    }
  }
</script>

<svelte:window onkeydown={key} />
<Page
  question="What should {name} say?"
  answer={draft?.changed ? 'Changed and not saved yet.' : 'Nothing is changed yet.'}
>
  {#snippet act()}
    <Allowed to="EDITOR" fleet>
      <button class="act" onclick={() => draft?.undo()} disabled={!draft?.canUndo}>Undo</button>
      <button class="act" onclick={() => draft?.redo()} disabled={!draft?.canRedo}>Redo</button>
      <button
        class="act act-main"
        onclick={save}
        disabled={editing.busy || !draft?.changed || draft.fault !== ''}
        >{editing.busy ? 'Saving …' : 'Save as a new revision'}</button
      >
    </Allowed>
  {/snippet}
  <Loaded query={template}>
    {#snippet children(stored)}
      {#if !person.may('EDITOR')}
        <Empty title="Your role, {person.role}, may look at templates and not change them.">
          <a href={p('/templates/:name', { params: { name } })}>{name}</a> as it is.
        </Empty>
      {:else if draft}
        {#if editing.theirs}
          <Conflict began={editing.began} mine={draft.text} theirs={editing.theirs} ontake={editing.goOn} />
        {/if}
        <section class="mb-6 border-l-2 border-accent pl-4" aria-labelledby="touch">
          <h2 id="touch" class="head">What publishing would touch</h2>
          {#if !draft.fault && !judged.error}
            <DraftText trial={judged.data} />
            {#if typed.current !== undefined && (judged.data?.reached ?? 0) > 0}
              <DraftPrice {name} text={typed.current} />
              <DraftProof {name} text={typed.current} />
            {/if}
          {/if}
          <Trouble error={editing.error ?? judged.error} />
        </section>
        <div class="grid gap-10 2xl:grid-cols-[2fr_1fr]">
          <TemplateForm {draft} {name} usedAt={stored.usedAt} />
          <TemplateSource {draft} />
        </div>
      {/if}
    {/snippet}
  </Loaded>
</Page>
