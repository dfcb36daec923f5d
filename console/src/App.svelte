<script lang="ts">
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import { onMount } from 'svelte';
  import { api, ask, Refused } from './lib/api/client';
  import { person } from './lib/session.svelte';
  import { apply, theme } from './lib/theme';
  import Frame from './Frame.svelte';
  import SignIn from './routes/SignIn.svelte';

  const queries = new QueryClient({
    defaultOptions: {
      queries: {
        staleTime: 5_000,
        retry: (failures, error) => failures < 2 && !(error instanceof Refused && error.status >= 400),
      },
    },
  });

  let trouble = $state('');

  onMount(() => {
    apply(theme());
    ask(api.GET('/api/v1/session'))
      .then((s) => (person.session = s))
      .catch((e: Refused) => {
        person.session = null;
        trouble = e.status === 401 ? '' : e.message;
      });
    const out = () => {
      person.session = null;
      queries.clear();
    };
    window.addEventListener('choir:signed-out', out);
    return () => window.removeEventListener('choir:signed-out', out);
  });
</script>

<QueryClientProvider client={queries}>
  {#if person.session}
    <Frame session={person.session} />
  {:else if person.session === null}
    <SignIn {trouble} onsignedin={(s) => (person.session = s)} />
  {/if}
</QueryClientProvider>
