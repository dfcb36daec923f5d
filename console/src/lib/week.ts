/** The week as ribbons: runs of minutes from Monday 00:00, cut at midnight. */

export const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export const DAY = 1440;

export interface Run {
  from: number;
  to: number;
  triggers: string;
}

/** A piece of one day; minutes are counted from its midnight. */
export interface Piece<R extends Run> {
  from: number;
  to: number;
  run: R;
}

export function perDay<R extends Run>(runs: readonly R[]): Piece<R>[][] {
  return DAYS.map((_, day) => {
    const start = day * DAY;
    return runs
      .filter((r) => r.from < start + DAY && r.to > start)
      .map((run) => ({
        from: Math.max(run.from, start) - start,
        to: Math.min(run.to, start + DAY) - start,
        run,
      }));
  });
}

/**
 * Days that follow each other and look alike, as one: `mon–thu`, `fri`, `sat–sun`; `daily` when all seven do.
 *
 * @param looks what is drawn for each day, in as many layers as there are
 */
export function alike(...looks: Piece<Run>[][][]): { name: string; day: number }[] {
  const drawn = DAYS.map((_, day) =>
    JSON.stringify(looks.map((layer) => layer[day]?.map((p) => [p.from, p.to, p.run.triggers]))),
  );
  const rows: { name: string; day: number }[] = [];
  for (let first = 0; first < DAYS.length;) {
    let last = first;
    while (last + 1 < DAYS.length && drawn[last + 1] === drawn[first]) {
      last++;
    }
    const name = first === last ? DAYS[first] : `${DAYS[first]}–${DAYS[last]}`;
    rows.push({ name: rows.length === 0 && last === 6 ? 'daily' : (name ?? ''), day: first });
    first = last + 1;
  }
  return rows;
}

export function time(minute: number): string {
  return `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
}

const LETTERS: Record<string, string> = {
  continuous: 'C',
  motion: 'M',
  alarm: 'A',
  analytics: 'R',
  'motion+alarm': 'M+A',
  none: '',
};

/** What stands for a set of triggers where there is little room. */
export function letter(triggers: string): string {
  return triggers
    .split(',')
    .map((t) => LETTERS[t] ?? t)
    .join(' ');
}

/** The texture of a set: that of the member that records most. */
export function texture(triggers: string): string {
  const members = triggers.split(',');
  const order = ['continuous', 'motion', 'analytics', 'alarm', 'motion+alarm'];
  const first = order.find((t) => members.includes(t));
  return first ? `t-${first.replace('+', '-')}` : 't-none';
}
