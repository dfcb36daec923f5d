<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../../lib/api/client';
  import Loaded from '../../lib/ui/Loaded.svelte';

  /** Whether all is well with the service itself; asked when the page is opened, since it takes a moment. */
  const checkUp = createQuery(() => ({
    queryKey: ['check-up'],
    queryFn: () => ask(api.GET('/api/v1/check-up')),
    staleTime: 60_000,
  }));

  const WORDS: Record<string, string> = {
    well: 'well',
    look: 'see to it',
    wrong: 'wrong',
    'not-known': 'not known',
  };
  const LOOKS: Record<string, string> = {
    well: 'text-faint',
    look: 'font-semibold text-waiting',
    wrong: 'font-semibold text-loss',
    'not-known': 'text-waiting',
  };
</script>

<section class="mt-10">
  <h2 class="mb-2 text-lg font-semibold">Is the service well?</h2>
  <Loaded query={checkUp}>
    {#snippet children(made)}
      <dl class="grid max-w-[110ch] grid-cols-[auto_auto_1fr] gap-x-5 gap-y-1.5 text-sm">
        {#each made.checks as check (check.about)}
          <dt class="contents">
            <span class={LOOKS[check.state]}>{WORDS[check.state]}</span>
            <span>{check.about}</span>
          </dt>
          <dd class="min-w-0 break-words {check.state === 'well' ? 'text-faint' : ''}">
            {check.words}{#if check.act}<span class="block text-faint">{check.act}</span>{/if}
          </dd>
        {/each}
      </dl>
    {/snippet}
  </Loaded>
</section>
