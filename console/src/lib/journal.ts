import { api, ask, type Schemas } from './api/client';
import { number } from './format';

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

/** So many at most are put into one file. */
const MOST_IN_A_FILE = 100_000;
const LARGEST_PAGE = 1000;

/** All of it, the newest first. */
export async function wholeJournal(): Promise<Entry[]> {
  const all: Entry[] = [];
  for (;;) {
    const before = all.at(-1)?.id;
    const page = await ask(
      api.GET('/api/v1/journal', {
        params: { query: { limit: LARGEST_PAGE, ...(before === undefined ? {} : { before }) } },
      }),
    );
    all.push(...page);
    if (page.length < LARGEST_PAGE) {
      return all;
    }
    if (all.length >= MOST_IN_A_FILE) {
      throw new Error(
        `The journal has more than ${number(MOST_IN_A_FILE)} entries; take it by: choir journal --all --format csv`,
      );
    }
  }
}
