import { csvFormatRows } from 'd3-dsv';

/** What a list knows of one of its columns. */
export interface ListColumn<T> {
  /** As the network interface names it; the head of the exported table. */
  key: string;
  title: string;
  /** What is found, exported and sorted by: numbers as numbers, instants as the service writes them. */
  value: (row: T) => string | number | undefined;
  /** What stands in the cell, where that is not the value. */
  text?: (row: T) => string;
  /** Where words are not in the order of their letters. */
  order?: (row: T) => number;
  /** Not shown until somebody asks for it. */
  aside?: boolean;
}

/** How somebody wants to see a list: which columns, by which one of them in order, with which words in it. */
export interface Arrangement {
  columns: readonly string[];
  /** A column, with a minus before it from the last to the first; empty: as the service orders it. */
  sort: string;
  words: string;
}

const COLLATOR = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** What the address says goes before what this browser keeps, and names that no column has any more are left out. */
export function columnsOf<T>(
  all: readonly ListColumn<T>[],
  said: string | undefined,
  kept: readonly string[] | undefined,
): string[] {
  const wanted = said === undefined ? kept : said.split(',');
  const known = all.filter((c) => wanted?.includes(c.key)).map((c) => c.key);
  return known.length > 0 ? known : all.filter((c) => !c.aside).map((c) => c.key);
}

/** First up, then down, then as it came. */
export function turned(sort: string, key: string): string {
  return sort === key ? `-${key}` : sort === `-${key}` ? '' : key;
}

export function direction(sort: string, key: string): 'ascending' | 'descending' | 'none' {
  return sort === key ? 'ascending' : sort === `-${key}` ? 'descending' : 'none';
}

/** The rows that have all the words somewhere in the columns shown, in order; what has no value comes last either way. */
export function arranged<T>(
  rows: readonly T[],
  all: readonly ListColumn<T>[],
  { columns, sort, words }: Arrangement,
): T[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = all.filter((c) => columns.includes(c.key));
  const found =
    wanted.length === 0
      ? [...rows]
      : rows.filter((row) => {
          const text = shown
            .map((c) => `${c.value(row) ?? ''}\n${c.text?.(row) ?? ''}`.toLowerCase())
            .join('\n');
          return wanted.every((word) => text.includes(word));
        });
  const by = all.find((c) => c.key === sort.replace(/^-/, ''));
  if (!by) {
    return found;
  }
  const sign = sort.startsWith('-') ? -1 : 1;
  const missing = (v: string | number | undefined) => v === undefined || v === '';
  return found
    .map((row) => ({ row, value: by.order ? by.order(row) : by.value(row) }))
    .sort((a, b) =>
      missing(a.value) || missing(b.value)
        ? Number(missing(a.value)) - Number(missing(b.value))
        : sign *
          (typeof a.value === 'number' && typeof b.value === 'number'
            ? a.value - b.value
            : COLLATOR.compare(String(a.value), String(b.value))),
    )
    .map(({ row }) => row);
}

/** A text that a spreadsheet would take for a formula begins with an apostrophe, as in every table of the service. */
function harmless(text: string): string {
  return /^[=+\-@\t\r]/.test(text) ? `'${text}` : text;
}

/** Comma-separated values (RFC 4180) of the rows and columns that are seen. */
export function table<T>(
  rows: readonly T[],
  all: readonly ListColumn<T>[],
  columns: readonly string[],
): string {
  const shown = all.filter((c) => columns.includes(c.key));
  const cell = (value: string | number | undefined) =>
    typeof value === 'string' ? harmless(value) : String(value ?? '');
  return (
    csvFormatRows([shown.map((c) => c.key), ...rows.map((row) => shown.map((c) => cell(c.value(row))))]) +
    '\n'
  );
}
