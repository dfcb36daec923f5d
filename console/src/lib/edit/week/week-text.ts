/** Weeks as people type them: one window a line, later lines paint over earlier ones. */
import { DAY, DAYS, time } from '../../week';

export const WEEK = DAY * 7;

/** A value for each minute of a week from Monday 00:00, or of one day from midnight; or nothing. */
export type Minutes = readonly (string | undefined)[];

export class WeekFault extends Error {
  constructor(
    readonly line: number,
    message: string,
  ) {
    super(message);
  }
}

export function silent(): (string | undefined)[] {
  return new Array<string | undefined>(WEEK).fill(undefined);
}

function days(word: string, line: number): number[] {
  if (word === 'daily') {
    return [0, 1, 2, 3, 4, 5, 6];
  }
  return word.split(',').flatMap((part) => {
    const [first = '', last = first] = part.split('-');
    const from = DAYS.indexOf(first as (typeof DAYS)[number]);
    const to = DAYS.indexOf(last as (typeof DAYS)[number]);
    if (from < 0 || to < 0) {
      throw new WeekFault(line, `"${part}" is not a day; expected daily, mon, mon-fri or mon,wed`);
    }
    return Array.from({ length: ((to - from + 7) % 7) + 1 }, (_, i) => (from + i) % 7);
  });
}

function minute(text: string, line: number): number {
  const match = /^(\d{2}):(\d{2})$/.exec(text);
  const at = match ? Number(match[1]) * 60 + Number(match[2]) : NaN;
  if (!match || Number(match[2]) > 59 || at > DAY) {
    throw new WeekFault(line, `"${text}" is not a time of day; expected 00:00 to 24:00`);
  }
  return at;
}

/** The minutes with one stretch painted; in a week it may run over midnight and over Sunday. */
export function paint(
  week: Minutes,
  day: number,
  from: number,
  to: number,
  value: string | undefined,
): Minutes {
  const painted = [...week];
  const end = to > from ? to : to + DAY;
  for (let m = from; m < end; m++) {
    painted[(day * DAY + m) % painted.length] = value;
  }
  return painted;
}

/** @throws WeekFault with the line that cannot be understood */
export function parse(text: string, valid: (value: string) => boolean): Minutes {
  let week: Minutes = silent();
  text.split('\n').forEach((raw, i) => {
    const line = raw.trim();
    if (!line) {
      return;
    }
    const words = line.split(/\s+/);
    const value = words.pop() ?? '';
    if (words.length < 1 || words.length > 2) {
      throw new WeekFault(
        i + 1,
        'expected days, times if wanted, and a value: mon-fri 06:00-18:30 continuous',
      );
    }
    if (!valid(value)) {
      throw new WeekFault(i + 1, `"${value}" is not a value here`);
    }
    const [from = '00:00', to = '24:00'] = (words[1] ?? '').split('-').map((t) => t || undefined);
    const start = minute(from, i + 1);
    const end = minute(to, i + 1);
    if (start === end || start === DAY) {
      throw new WeekFault(i + 1, 'starts and ends at the same time; for the whole day leave the times out');
    }
    for (const day of days(words[0] ?? '', i + 1)) {
      week = paint(week, day, start, end, value);
    }
  });
  return week;
}

interface Window {
  from: number;
  to: number;
  value: string;
  days: number[];
}

function runs(week: Minutes): { from: number; to: number; value: string }[] {
  const found: { from: number; to: number; value: string }[] = [];
  for (let m = 0; m < WEEK; m++) {
    const value = week[m];
    const last = found.at(-1);
    if (value !== undefined && last && last.to === m && last.value === value) {
      last.to = m + 1;
    } else if (value !== undefined) {
      found.push({ from: m, to: m + 1, value });
    }
  }
  const first = found[0];
  const last = found.at(-1);
  const wraps =
    found.length > 1 && first && last && first.from === 0 && last.to === WEEK && first.value === last.value;
  if (wraps && first.to + last.to - last.from < DAY) {
    found.shift();
    last.to += first.to;
  }
  return found;
}

/** Maximal runs cut at midnight, but for those under a day that cross one; equal windows share a line. */
export function print(week: Minutes): string {
  const windows: Window[] = [];
  const add = (from: number, to: number, value: string) => {
    const start = from % DAY;
    const end = ((to - 1) % DAY) + 1;
    const same = windows.find((w) => w.from === start && w.to === end && w.value === value);
    const day = Math.floor(from / DAY);
    if (same) {
      same.days.push(day);
    } else {
      windows.push({ from: start, to: end, value, days: [day] });
    }
  };
  for (const run of runs(week)) {
    if (run.to - run.from < DAY) {
      add(run.from, run.to, run.value);
      continue;
    }
    for (let from = run.from; from < run.to;) {
      const to = Math.min((Math.floor(from / DAY) + 1) * DAY, run.to);
      add(from, to, run.value);
      from = to;
    }
  }
  return windows
    .map((w) => ({ ...w, days: w.days.sort((a, b) => a - b) }))
    .sort((a, b) => (a.days[0] ?? 0) * DAY + a.from - (b.days[0] ?? 0) * DAY - b.from)
    .map(
      (w) =>
        `${dayWord(w.days)}${w.from === 0 && w.to === DAY ? '' : ` ${time(w.from)}-${time(w.to)}`} ${w.value}`,
    )
    .join('\n');
}

function dayWord(all: number[]): string {
  if (all.length === 7) {
    return 'daily';
  }
  const chains: number[][] = [];
  for (const day of all) {
    const last = chains.at(-1);
    if (last && (last.at(-1) ?? 0) + 1 === day) {
      last.push(day);
    } else {
      chains.push([day]);
    }
  }
  if (chains.length === 2 && all.includes(0) && all.includes(6) && all.length >= 3) {
    chains.splice(0, 2, [...(chains[1] ?? []), ...(chains[0] ?? [])]);
  }
  return chains
    .map((c) =>
      c.length >= 3 ? `${DAYS[c[0] ?? 0]}-${DAYS[c.at(-1) ?? 0]}` : c.map((d) => DAYS[d]).join(','),
    )
    .join(',');
}

/** What is drawn and typed: rows of a day each, and the text that says the same. */
export interface Span {
  rows: readonly string[];
  parse: (text: string, valid: (value: string) => boolean) => Minutes;
  print: (minutes: Minutes) => string;
}

export const WHOLE_WEEK: Span = { rows: DAYS, parse, print };

/** One special day: nothing runs over its midnights, and every minute is spoken of. */
export const ONE_DAY: Span = { rows: ['day'], parse: parseDay, print: printDay };

function parseDay(text: string, valid: (value: string) => boolean): Minutes {
  text.split('\n').forEach((raw, i) => {
    const [days = '', times = ''] = raw.trim().split(/\s+/);
    const [from = '', to = ''] = times.split('-');
    if (days && days !== 'daily') {
      throw new WeekFault(i + 1, `"${days}" is not a day here; a special day has lines of "daily" alone`);
    }
    if (/^\d{2}:\d{2}$/.test(to) && to <= from) {
      throw new WeekFault(i + 1, 'a special day ends at midnight; nothing runs on into the next day');
    }
  });
  const day = parse(text, valid).slice(0, DAY);
  const silentAt = day.indexOf(undefined);
  if (silentAt >= 0) {
    throw new WeekFault(
      text.split('\n').length,
      `nothing is said of ${time(silentAt)}; a special day speaks of every minute, so start with "daily none"`,
    );
  }
  return day;
}

interface Stroke {
  from: number;
  to: number;
  value: string;
}

function printDay(day: Minutes): string {
  const runs: Stroke[] = [];
  day.forEach((value, m) => {
    const last = runs.at(-1);
    if (value !== undefined && last?.to === m && last.value === value) {
      last.to = m + 1;
    } else if (value !== undefined) {
      runs.push({ from: m, to: m + 1, value });
    }
  });
  return (runs.length <= MOST_SHORTENED ? strokes(runs) : runs)
    .map(({ from, to, value }) =>
      from === 0 && to === DAY ? `daily ${value}` : `daily ${time(from)}-${time(to)} ${value}`,
    )
    .join('\n');
}

const MOST_SHORTENED = 100;

/**
 * The fewest stretches that paint the runs, where a later one covers what it is painted over: the first run's stretch ends
 * with it, or goes on to a later run of the same value, over all that is between.
 */
function strokes(runs: Stroke[]): Stroke[] {
  const known = new Map<string, Stroke[]>();
  const of = (i: number, j: number): Stroke[] => {
    const first = runs[i];
    if (i > j || !first) {
      return [];
    }
    const key = `${i} ${j}`;
    let best = known.get(key);
    if (!best) {
      best = [first, ...of(i + 1, j)];
      for (let k = i + 1; k <= j; k++) {
        if (runs[k]?.value === first.value) {
          const [on, ...after] = of(k, j);
          const over = [{ ...first, to: on?.to ?? first.to }, ...of(i + 1, k - 1), ...after];
          best = over.length < best.length ? over : best;
        }
      }
      known.set(key, best);
    }
    return best;
  };
  return of(0, runs.length - 1);
}

const TRIGGERS = ['continuous', 'motion', 'alarm', 'analytics', 'motion+alarm'];

export function isTriggers(value: string): boolean {
  return value === 'none' || value.split(',').every((t) => TRIGGERS.includes(t));
}

export function isLevel(value: string): boolean {
  return /^\d{1,3}(\.\d{1,4})?$/.test(value) && Number(value) <= 100;
}

/** Whether two texts hold the same lines, however they are spaced. */
export function sameLines(a: string, b: string): boolean {
  const lines = (text: string) =>
    text
      .split('\n')
      .map((l) => l.trim().replace(/\s+/g, ' '))
      .filter(Boolean)
      .join('\n');
  return lines(a) === lines(b);
}
