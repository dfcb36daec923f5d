import { api, ask } from './client';

/** Everything that has a name and is asked for by it, for whoever completes or looks for words; kept for a minute. */
export const namesQuery = (enabled: boolean) => ({
  queryKey: ['names'],
  enabled,
  staleTime: 60_000,
  queryFn: async () => {
    const [groups, recorders, templates] = await Promise.all([
      ask(api.GET('/api/v1/groups')),
      ask(api.GET('/api/v1/recorders')),
      ask(api.GET('/api/v1/templates')),
    ]);
    return { groups, recorders, templates };
  },
});
