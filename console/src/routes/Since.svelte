<script lang="ts">
  import type { Schemas } from '../lib/api/client';
  import { ago, count, when } from '../lib/format';
  import { p } from '../router';

  /** What is new to whoever looks. */
  let { since }: { since: Schemas['SinceView'] } = $props();

  const more = $derived(since.atLeast ? 'at least ' : '');
  const nothing = $derived(since.opened + since.ended + since.changes === 0);
  /** Whoever was here a moment ago knows that there is nothing new. */
  const AWAY = 30 * 60_000;
  const worthSaying = $derived(!nothing || Date.now() - Date.parse(since.since ?? '') > AWAY);
</script>

{#if worthSaying}
  <section class="mb-6 text-sm" aria-label="Since you last looked">
    <p>
      <span class="head mr-2" title={when(since.since)}>Since you last looked, {ago(since.since)}</span>
      {#if nothing}
        Nothing new.
      {:else}
        {#if since.opened > 0}
          {more}<a href={p('/audit') + '?by=none&sort=-firstSeen'} class="font-semibold"
            >{count(since.opened, 'new finding')}</a
          >{since.ended + since.changes > 0 ? ', ' : '.'}
        {/if}
        {#if since.ended > 0}
          {more}{count(since.ended, 'finding')} ended{since.changes > 0 ? ', ' : '.'}
        {/if}
        {#if since.changes > 0}
          {more}<a href={p('/journal')} class="font-semibold">{count(since.changes, 'change')}</a> by others.
        {/if}
      {/if}
    </p>
    {#if since.worst.length + since.lastChanges.length > 0}
      <details class="mt-1">
        <summary class="cursor-pointer text-faint">The worst and the newest of them</summary>
        <ul class="mt-1 flex flex-col gap-0.5">
          {#each since.worst as sentence, n (n)}<li>{sentence}</li>{/each}
          {#each since.lastChanges as e (e.id)}
            <li class="text-faint">{when(e.at)}: {e.who} {e.act}, {e.subject}</li>
          {/each}
        </ul>
      </details>
    {/if}
  </section>
{/if}
