/** Something that can be gone to or done. */
export interface Entry {
  /** What it says, and what is typed is looked for in. */
  words: string;
  /** What sort of thing it is, in a word. */
  sort: string;
  run: () => unknown;
}

/**
 * What fits what was typed: every word of it has to stand somewhere. What begins with it comes first, then that in which its words
 * begin words, then the rest, each in the order in which they came.
 */
export function matching<E extends Pick<Entry, 'words'>>(
  entries: readonly E[],
  typed: string,
  most: number,
): E[] {
  const text = typed.trim().toLowerCase();
  const words = text.split(/\s+/).filter(Boolean);
  const beginnings = words.map((w) => new RegExp(`(^|[^\\p{L}\\d])${escaped(w)}`, 'u'));
  const first: E[] = [];
  const second: E[] = [];
  const rest: E[] = [];
  for (const entry of entries) {
    const says = entry.words.toLowerCase();
    if (words.every((w) => says.includes(w))) {
      const starts = beginnings.every((b) => b.test(says));
      (says.startsWith(text) ? first : starts ? second : rest).push(entry);
    }
  }
  return [...first, ...second, ...rest].slice(0, most);
}

function escaped(word: string): string {
  return word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
