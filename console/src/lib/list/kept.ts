/** What this browser keeps of a list. */
export interface Kept {
  columns?: string[];
  sort?: string;
  /** Widths of columns in pixels, of all that are shown or of none. */
  widths?: Record<string, number>;
}

const place = (list: string) => `choir.list.${list}`;

/** Nothing, where nothing was kept or something that is no longer understood. */
export function kept(list: string): Kept {
  try {
    const said: unknown = JSON.parse(localStorage.getItem(place(list)) ?? '{}');
    if (typeof said !== 'object' || said === null) {
      return {};
    }
    const { columns, sort, widths } = said as Record<string, unknown>;
    return {
      ...(Array.isArray(columns) ? { columns: columns.map(String) } : {}),
      ...(typeof sort === 'string' ? { sort } : {}),
      ...(typeof widths === 'object' && widths !== null && Object.values(widths).every(Number.isFinite)
        ? { widths: widths as Record<string, number> }
        : {}),
    };
  } catch {
    return {};
  }
}

export function keep(list: string, what: Kept): void {
  try {
    localStorage.setItem(place(list), JSON.stringify(what));
  } catch {
    // A browser that keeps nothing shows the list as it is by itself.
  }
}
