import { api, ask, type Schemas } from './api/client';

const PAGE = 100;
type Entry = Schemas['Entry'];

/** The journal in pages, the newest first; of one subject, or of all when that is empty. */
export function journalPages(about: string, enabled = true) {
  return {
    queryKey: ['journal', about],
    enabled,
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }: { pageParam: number | undefined }): Promise<Entry[]> =>
      ask(
        api.GET('/api/v1/journal', {
          params: {
            query: { about, limit: PAGE, ...(pageParam === undefined ? {} : { before: pageParam }) },
          },
        }),
      ),
    getNextPageParam: (last: Entry[]) => (last.length < PAGE ? undefined : last.at(-1)?.id),
  };
}
