import MiniSearch from 'minisearch';

export interface Section {
  id: string;
  head: string;
  text: string;
  /** The address of its first picture, empty without one, and what that shows. */
  picture: string;
  alt: string;
}

export interface Document {
  title: string;
  html: string;
  sections: Section[];
}

export interface Hit {
  page: string;
  title: string;
  section: Section;
}

const FILES = {
  ...import.meta.glob<Document>('../../../../docs/guide/*.md', { eager: true, import: 'default' }),
  ...import.meta.glob<Document>(
    '../../../../docs/{settings,commands,running,families,activity,exports,responses,trials}.md',
    { eager: true, import: 'default' },
  ),
};

/** Every page that is served, by its name. */
export const PAGES: ReadonlyMap<string, Document> = new Map(
  Object.entries(FILES).map(([file, document]) => [file.replace(/^.*\/(.*)\.md$/, '$1'), document]),
);

/** The pages in their shelves: the work in its order, how something is done, and what is looked up. */
export const SHELVES: readonly { name: string; pages: readonly string[] }[] = [
  { name: 'In the order of the work', pages: [...PAGES.keys()].filter((n) => /^\d/.test(n)).sort() },
  { name: 'How to …', pages: [...PAGES.keys()].filter((n) => n.startsWith('how-to')).sort() },
  {
    name: 'To look up',
    pages: [...PAGES.keys()].filter((n) => !/^\d|^how-to|^README$/.test(n)).sort(),
  },
];

const MOST = 30;

/** Sections that speak of all the words, the likeliest first; beginnings of words and small slips count too. */
export function searching(pages: ReadonlyMap<string, Document>): (words: string) => Hit[] {
  const hits = [...pages].flatMap(([page, { title, sections }]) =>
    sections.map((section) => ({ page, title, section })),
  );
  const index = new MiniSearch<{ id: number; head: string; text: string }>({
    fields: ['head', 'text'],
    searchOptions: {
      boost: { head: 4 },
      prefix: true,
      fuzzy: (word) => (word.length > 4 ? 0.2 : false),
      combineWith: 'AND',
    },
  });
  index.addAll(hits.map(({ section }, id) => ({ id, head: section.head, text: section.text })));
  return (words) =>
    index
      .search(words)
      .slice(0, MOST)
      .flatMap((found) => hits[found.id as number] ?? []);
}

/** The words around the first of those looked for. */
export function around(text: string, words: string, length = 160): string {
  const lower = text.toLowerCase();
  const at = Math.max(
    0,
    ...words
      .toLowerCase()
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => lower.indexOf(word)),
  );
  const from = at < length / 2 ? 0 : text.lastIndexOf(' ', at - length / 3) + 1;
  const part = text.slice(from, from + length);
  return `${from > 0 ? '… ' : ''}${part}${from + length < text.length ? ' …' : ''}`;
}
