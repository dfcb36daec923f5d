import type { Schemas } from '../../lib/api/client';

/** Days of a month, and what was recorded on them, as they are shown. */

export type DaySums = Schemas['DaySums'];

/** The reasons in the order in which they are stacked, from below, with the texture of each. */
export const REASONS = [
  { key: 'continuous', word: 'continuous', letter: 'C', texture: 't-continuous' },
  { key: 'motion', word: 'motion', letter: 'M', texture: 't-motion' },
  { key: 'analytics', word: 'analytics', letter: 'R', texture: 't-analytics' },
  { key: 'alarm', word: 'alarm', letter: 'A', texture: 't-alarm' },
  { key: 'motionAndAlarm', word: 'motion with an alarm', letter: 'M+A', texture: 't-motion-alarm' },
  { key: 'unexplained', word: 'not explained', letter: '?', texture: 't-unexplained' },
] as const;

export function textureOf(by: string): string {
  return (
    REASONS.find((r) => r.key === by)?.texture ?? (by === 'motion+alarm' ? 't-motion-alarm' : 't-unexplained')
  );
}

/** A month such as `2026-11`. */
export type Month = string;

export function monthOf(date: string): Month {
  return date.slice(0, 7);
}

/** The month so many before or after. */
export function otherMonth(month: Month, by: number): Month {
  const [year, number] = month.split('-').map(Number) as [number, number];
  const at = new Date(Date.UTC(year, number - 1 + by, 1));
  return at.toISOString().slice(0, 7);
}

/** All dates of a month, in order. */
export function datesOf(month: Month): string[] {
  const [year, number] = month.split('-').map(Number) as [number, number];
  const last = new Date(Date.UTC(year, number, 0)).getUTCDate();
  return Array.from({ length: last }, (_, i) => `${month}-${String(i + 1).padStart(2, '0')}`);
}

/** The date so many days before or after. */
export function otherDay(date: string, by: number): string {
  const at = new Date(date + 'T00:00:00Z');
  at.setUTCDate(at.getUTCDate() + by);
  return at.toISOString().slice(0, 10);
}

export function isWeekend(date: string): boolean {
  return [0, 6].includes(new Date(date + 'T00:00:00Z').getUTCDay());
}

const DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  timeZone: 'UTC',
});

export function dayWords(date: string): string {
  return DAY.format(new Date(date + 'T00:00:00Z')).replace(',', '');
}

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });

export function monthWords(month: Month): string {
  return MONTH.format(new Date(month + '-01T00:00:00Z'));
}

/** `40 s`, `12 min`, `3 h 20 min`. */
export function lengthWords(seconds: number): string {
  if (seconds < 100) {
    return `${Math.round(seconds)} s`;
  }
  const minutes = Math.round(seconds / 60);
  if (minutes < 60) {
    return `${minutes} min`;
  }
  return minutes % 60 === 0 ? `${minutes / 60} h` : `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/**
 * How high a part of a day's bar is, in percent: the whole bar by the root of its share, so that a few minutes are seen beside
 * a whole day, and each part by its share of the bar.
 */
export function height(day: DaySums, seconds: number): number {
  if (seconds === 0 || day.recorded === 0) {
    return 0;
  }
  const whole = Math.sqrt(Math.min(1, day.recorded / day.length));
  return Math.max(3, (seconds / day.recorded) * whole * 100);
}

/** What a day's cell says to those who do not see it. */
export function cellWords(date: string, day: DaySums | undefined, today: string): string {
  const name = dayWords(date);
  if (date > today) {
    return `${name}: still to come`;
  }
  if (!day || day.known === 0) {
    return `${name}: not known`;
  }
  const parts = REASONS.filter((r) => day.by[r.key] > 0).map(
    (r) => `${lengthWords(day.by[r.key])} ${r.word}`,
  );
  const recorded = parts.length > 0 ? `recorded ${parts.join(', ')}` : 'nothing recorded';
  const events = day.motionKnown > 0 ? `, ${day.events} ${day.events === 1 ? 'event' : 'events'}` : '';
  const missing = day.missing ? `, ${lengthWords(day.missing)} missing` : '';
  const partly = day.known < day.length * 0.99 ? `, ${lengthWords(day.length - day.known)} not known` : '';
  return `${name}: ${recorded}${events}${missing}${partly}`;
}

/** Means and sums over the days of which something is known. */
export function summary(days: DaySums[]) {
  const known = days.reduce((sum, d) => sum + d.known, 0);
  const motionKnown = days.reduce((sum, d) => sum + d.motionKnown, 0);
  return {
    known,
    recordedADay: known > 0 ? (days.reduce((sum, d) => sum + d.recorded, 0) / known) * 86_400 : undefined,
    eventsADay:
      motionKnown > 0 ? (days.reduce((sum, d) => sum + d.events, 0) / motionKnown) * 86_400 : undefined,
    missing: days.reduce((sum, d) => sum + (d.missing ?? 0), 0),
  };
}

/** A stretch as shares of a day, 0 to 1; undefined when it is on another. */
export function within(
  day: { begins: string; length: number },
  span: { from: string; until: string },
): { left: number; width: number } | undefined {
  const begin = Date.parse(day.begins) / 1000;
  const from = Math.max(0, Date.parse(span.from) / 1000 - begin);
  const until = Math.min(day.length, Date.parse(span.until) / 1000 - begin);
  return from < until ? { left: from / day.length, width: (until - from) / day.length } : undefined;
}

export interface Gap {
  from: string;
  until: string;
  seconds: number;
  demanded: string;
  words: string;
}

export interface FoldedGap {
  date: string;
  from: string;
  until: string;
  seconds: number;
  pieces: number;
  demanded: string;
  words: string;
}

/** Gaps of one day with one cause as one, the newest day first; dates and times on the wall clock of the zone. */
export function foldedGaps(gaps: Gap[], zone: string): FoldedGap[] {
  const day = new Intl.DateTimeFormat('sv-SE', { dateStyle: 'short', timeZone: zone });
  const time = new Intl.DateTimeFormat('en-GB', { timeStyle: 'short', timeZone: zone });
  const folds = new Map<string, FoldedGap>();
  for (const gap of [...gaps].sort((a, b) => a.from.localeCompare(b.from))) {
    const date = day.format(new Date(gap.from));
    const key = `${date} ${gap.demanded} ${gap.words}`;
    const fold = folds.get(key) ?? {
      date,
      from: time.format(new Date(gap.from)),
      until: '',
      seconds: 0,
      pieces: 0,
      demanded: gap.demanded,
      words: gap.words,
    };
    fold.until = time.format(new Date(gap.until));
    fold.seconds += gap.seconds;
    fold.pieces += 1;
    folds.set(key, fold);
  }
  return [...folds.values()].sort((a, b) => b.date.localeCompare(a.date));
}

/** By how much one became the other. */
export function changeWords(before: number, after: number): string {
  if (before === 0) {
    return after === 0 ? '' : 'new';
  }
  const percent = Math.round((100 * (after - before)) / before);
  return percent === 0 ? '' : `${percent > 0 ? '+' : '−'}${Math.abs(percent)} %`;
}

/** What a camera does at this moment. */
export function nowWords(now: Schemas['NowView'] | undefined): string {
  if (now?.odd === 'records-without-motion') {
    return 'records though nothing moves';
  }
  if (now?.odd === 'moves-without-recording') {
    return 'something moves, it does not record';
  }
  if (now?.records === undefined) {
    return 'not known now';
  }
  if (now.records) {
    const by = REASONS.find(
      (r) => r.key === now.by || (now.by === 'motion+alarm' && r.key === 'motionAndAlarm'),
    );
    return now.by === 'continuous' ? 'records, continuous' : by ? `records, ${by.word}` : 'records';
  }
  return now.moves ? 'does not record; something moves' : 'does not record';
}

/** Those that do what nobody would expect of them come first. */
export function nowsFirst<T extends { camera: string }>(
  cameras: T[],
  nows: Map<string, Schemas['NowView']>,
): T[] {
  const rank = (camera: T) => (nows.get(camera.camera)?.odd ? 0 : 1);
  return [...cameras].sort((a, b) => rank(a) - rank(b));
}
