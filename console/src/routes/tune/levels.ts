import type { Schemas } from '../../lib/api/client';

export type Levels = Schemas['LevelsView'];

/** The strip's scale: equal factors are equal heights, so that a margin is seen as a distance. Shares of 0 to 1. */
export const LEAST = 0.0002;
export const MOST = 1;

/** From the top, 0 to 1. */
export function height(share: number): number {
  const log = Math.log(Math.max(share, LEAST) / LEAST) / Math.log(MOST / LEAST);
  return 1 - Math.min(1, Math.max(0, log));
}

/** The share at a height from the top, 0 to 1. */
export function share(at: number): number {
  return LEAST * Math.pow(MOST / LEAST, 1 - Math.min(1, Math.max(0, at)));
}

/** Of each picture the share of what is watched that counts, at that step of luminance; at the noise's own step without one. */
export function curve(levels: Levels, step: number | undefined): number[] {
  if (step === undefined) {
    return levels.adapted;
  }
  const row = levels.counting[levels.steps.indexOf(step)] ?? [];
  const share = levels.factor / Math.max(1, levels.watched);
  return row.map((n) => Math.min(1, n * share));
}

/** A setting as it is being tried: a sensitivity, and a threshold in percent. */
export interface Tried {
  sensitivity: number | 'auto';
  threshold: number;
}

export function nearestOf(all: number[], value: number): number {
  return all.reduce((a, b) => (Math.abs(b - value) < Math.abs(a - value) ? b : a), all[0] ?? value);
}

/** The nearest that a device can hold of what a setting, or one of its areas, says. */
export function holdable(levels: Levels, setting: { sensitivity: string; threshold: number }): Tried {
  return {
    sensitivity:
      setting.sensitivity === 'auto' ? 'auto' : nearestOf(levels.sensitivities, Number(setting.sensitivity)),
    threshold: nearest(levels.thresholds, setting.threshold),
  };
}

/** What a setting says of an area; of the picture without one. */
export function ofArea(
  setting: Schemas['TriedSetting'] | undefined,
  area: string | undefined,
): Schemas['TriedArea'] | Schemas['TriedSetting'] | undefined {
  return setting?.areas?.find((a) => a.name === area) ?? setting;
}

/** A path through the levels, for a drawing of that size. */
export function path(times: number[], values: number[], length: number, width: number, tall: number): string {
  return values
    .map(
      (v, i) =>
        `${i === 0 ? 'M' : 'L'}${(((times[i] ?? 0) / length) * width).toFixed(1)},${(height(v) * tall).toFixed(1)}`,
    )
    .join('');
}

/** The number of the last picture that was seen by then. */
export function pictureAt(times: number[], at: number): number {
  let low = 0;
  let high = times.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((times[middle] ?? 0) <= at) {
      low = middle;
    } else {
      high = middle - 1;
    }
  }
  return low;
}

/** The nearest of what a device can hold, in the order of factors. */
export function nearest(choices: number[], wanted: number): number {
  let best = choices[0] ?? wanted;
  for (const choice of choices) {
    if (Math.abs(Math.log(choice / wanted)) < Math.abs(Math.log(best / wanted))) {
      best = choice;
    }
  }
  return best;
}

/** The next choice above or below; the same at the end. */
export function beside(choices: number[], now: number, by: 1 | -1): number {
  const sorted = [...choices].sort((a, b) => a - b);
  const at = sorted.findIndex((c) => c >= now - 1e-12);
  const found = at < 0 ? sorted.length - 1 : at;
  return sorted[Math.min(sorted.length - 1, Math.max(0, found + by))] ?? now;
}

/** Three digits, as people read a share; percent in, with its sign. */
export function percent(value: number): string {
  return `${Number(value.toPrecision(3))} %`;
}

/** A factor; what is beyond all measure is said so. */
export function factor(value: number | undefined): string {
  return value === undefined ? '–' : value > 99 ? 'over 99' : value.toFixed(value < 10 ? 2 : 1);
}

/** A length in minutes and seconds. */
export function length(seconds: number): string {
  const whole = Math.round(seconds);
  const rest = whole % 60;
  return whole < 60 ? `${whole} s` : `${Math.floor(whole / 60)} min${rest > 0 ? ` ${rest} s` : ''}`;
}

export function times(n: number): string {
  return n === 0 ? 'never' : n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`;
}

/** The picture with the highest level, past those in which there is hardly anything yet to compare with. */
export function strongest(values: number[]): number {
  const settled = 16;
  let best = Math.min(settled, values.length - 1);
  for (let i = best; i < values.length; i++) {
    if ((values[i] ?? 0) > (values[best] ?? 0)) {
      best = i;
    }
  }
  return Math.max(0, best);
}

/** What a trial comes to, in a sentence. */
export function verdict(report: Schemas['TrialReport']): string {
  const wanted = report.wanted.length;
  const parts = [];
  if (wanted > 0) {
    parts.push(
      report.missed === 0
        ? wanted === 1
          ? 'The wanted moment is caught'
          : `${wanted === 2 ? 'Both' : `All ${wanted}`} wanted moments are caught`
        : wanted === 1
          ? 'The wanted moment is missed'
          : `${report.missed} of ${wanted} wanted moments ${report.missed === 1 ? 'is' : 'are'} missed`,
    );
  }
  if (report.unwanted.length > 0) {
    parts.push(
      report.falseStarts === 0
        ? 'nothing unwanted begins motion'
        : `what is unwanted begins motion ${times(report.falseStarts)}`,
    );
  }
  const said = parts.join(', ');
  return said === ''
    ? 'Nothing is marked yet: mark what must trigger and what must not.'
    : said.charAt(0).toUpperCase() + said.slice(1) + '.';
}

/** Time of day in a zone, to the second. */
export function clock(ms: number, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
    timeZone: zone,
  }).format(ms);
}

/** The instant of a date and a time by a zone's wall clock; of an hour that comes twice, the first. */
export function instantAt(date: string, time: string, zone: string): Date {
  const asUtc = Date.parse(`${date}T${time.length === 5 ? time + ':00' : time}Z`);
  const offset = (at: number) => {
    const parts = new Intl.DateTimeFormat('en-US', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: 'numeric',
      day: 'numeric',
      hour: 'numeric',
      minute: 'numeric',
      second: 'numeric',
    }).formatToParts(at);
    const of = (type: string) => Number(parts.find((p) => p.type === type)?.value);
    return Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second')) - at;
  };
  const first = asUtc - offset(asUtc);
  return new Date(asUtc - offset(first));
}
