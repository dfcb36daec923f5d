<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { api, ask } from '../lib/api/client';
  import { count, when } from '../lib/format';
  import { person } from '../lib/session.svelte';
  import Page from '../lib/ui/Page.svelte';
  import CheckUp from './watch/CheckUp.svelte';
  import Notices from './watch/Notices.svelte';
  import PlanList from './watch/PlanList.svelte';
  import ReportForm from './watch/ReportForm.svelte';

  const plans = createQuery(() => ({ queryKey: ['plans'], queryFn: () => ask(api.GET('/api/v1/plans')) }));

  const answer = $derived.by(() => {
    const all = plans.data;
    if (!all) {
      return undefined;
    }
    const audits = all.filter((p) => p.kind === 'audit');
    if (audits.length === 0) {
      return 'No audit is planned; they are run by hand alone.';
    }
    const next = audits
      .flatMap((p) => p.next)
      .sort()
      .at(0);
    return `The next audit is ${when(next)}; ${count(all.length, 'plan')} in all.`;
  });
</script>

<Page question="Who keeps watch?" {answer}>
  <PlanList {plans} />
  {#if person.may('ADMINISTRATOR')}<Notices />{/if}
  <ReportForm />
  {#if person.may('ADMINISTRATOR')}<CheckUp />{/if}
</Page>
