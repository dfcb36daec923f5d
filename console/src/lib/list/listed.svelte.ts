import { searchParams } from 'sv-router';
import { dayIn } from '../format';
import { columnsOf, table, turned, type Arrangement, type ListColumn } from './arrange';
import { keep, kept, type Kept } from './kept';

const LEAST_WIDTH = 48;

/** How a list is arranged: by its address, by what this browser keeps, else as it is by itself. */
export class Listed<T> {
  #own = $state.raw<Kept>({});

  /** Before what the address says of it, where a page has more lists than one. */
  readonly #of: string;

  constructor(
    /** Of which list what is kept is; a part of the name of the file. */
    readonly name: string,
    readonly all: readonly ListColumn<T>[],
    isPart = false,
  ) {
    this.#own = kept(name);
    this.#of = isPart ? `${name}-` : '';
  }

  get arrangement(): Arrangement {
    return {
      columns: columnsOf(this.all, said(this.#of + 'columns'), this.#own.columns),
      sort: said(this.#of + 'sort') ?? this.#own.sort ?? '',
      words: said(this.#of + 'with') ?? '',
    };
  }

  get columns(): ListColumn<T>[] {
    const { columns } = this.arrangement;
    return this.all.filter((c) => columns.includes(c.key));
  }

  /** In pixels, where somebody set one of them; then of all that are shown. */
  get widths(): Record<string, number> | undefined {
    const { widths } = this.#own;
    return widths && this.columns.every((c) => widths[c.key]) ? widths : undefined;
  }

  sortBy(key: string) {
    const sort = turned(this.arrangement.sort, key);
    this.#remember({ sort });
    say(this.#of + 'sort', sort);
  }

  narrow(words: string) {
    say(this.#of + 'with', words);
  }

  show(key: string, wanted: boolean) {
    const { columns } = this.arrangement;
    const keys = this.all.filter((c) => (c.key === key ? wanted : columns.includes(c.key))).map((c) => c.key);
    const plain = columnsOf(this.all, undefined, undefined).join() === keys.join();
    this.#remember({ columns: plain ? undefined : keys, widths: undefined });
    say(this.#of + 'columns', plain ? '' : keys.join(','));
  }

  /** From the first width that somebody sets on, all keep what they have. */
  widen(key: string, width: number, measured: (key: string) => number | undefined) {
    const now = this.#own.widths ?? {};
    this.#remember({
      widths: Object.fromEntries(
        this.columns.map((c) => {
          const pixels = c.key === key ? width : (now[c.key] ?? measured(c.key) ?? 0);
          return [c.key, Math.max(LEAST_WIDTH, Math.round(pixels))];
        }),
      ),
    });
  }

  get hasWidths(): boolean {
    return this.#own.widths !== undefined;
  }

  forgetWidths() {
    this.#remember({ widths: undefined });
  }

  /** Hands the rows over as a file, in the columns that are shown. */
  take(rows: readonly T[]) {
    const file = new Blob([table(rows, this.all, this.arrangement.columns)], { type: 'text/csv' });
    const link = document.createElement('a');
    link.href = URL.createObjectURL(file);
    link.download = `choir-${this.name}-${dayIn(0)}.csv`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
  }

  #remember(what: Kept) {
    this.#own = { ...this.#own, ...what };
    keep(this.name, this.#own);
  }
}

function said(key: string): string | undefined {
  return searchParams.get(key)?.toString();
}

/** Into the address, in place of what stood there; what is empty goes from it. */
function say(key: string, value: string) {
  if (value === '') {
    searchParams.delete(key, undefined, { replace: true });
  } else {
    searchParams.set(key, value, { replace: true });
  }
}
