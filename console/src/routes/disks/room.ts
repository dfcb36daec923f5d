import type { Schemas } from '../../lib/api/client';
import { bytes } from '../../lib/format';

export type Store = Schemas['StoreView'];
export type Kept = Schemas['RoomView'];
export type Range = Schemas['RangeView'];

/** What people read of whether footage lives as long as is wanted. */
export const VERDICTS: Record<string, { word: string; tone: string }> = {
  TOO_SHORT: { word: 'too short', tone: 'text-loss' },
  CLOSE: { word: 'may be too short', tone: 'text-waste' },
  NOT_KNOWN: { word: 'not known', tone: 'text-unknown' },
  ENOUGH: { word: 'enough', tone: '' },
  NOTHING_WANTED: { word: 'nothing is wanted', tone: 'text-faint' },
};

export const TRIGGERS: Record<string, { word: string; texture: string }> = {
  continuous: { word: 'continuous', texture: 't-continuous' },
  motion: { word: 'motion', texture: 't-motion' },
  'other-events': { word: 'other events', texture: 't-alarm' },
  clips: { word: 'clips', texture: 't-analytics' },
};

export function storeName(store: Store): string {
  return store.store ? `${store.recorder} ${store.store}` : store.recorder;
}

function whole(days: number): string {
  return Math.floor(days).toLocaleString('en-GB');
}

/** `9 days`, `at least 28 days`, `82 days (44 to 126)`; nothing when nobody knows. */
export function days(range: Range | undefined, atLeast = false): string {
  if (!range) {
    return 'not known';
  }
  if (range.likely === undefined) {
    return 'no end';
  }
  const around =
    range.low !== undefined && range.high !== undefined && whole(range.low) !== whole(range.high)
      ? ` (${whole(range.low)} to ${whole(range.high)})`
      : '';
  return `${atLeast ? 'at least ' : ''}${whole(range.likely)} ${whole(range.likely) === '1' ? 'day' : 'days'}${around}`;
}

/** `363 GB`, and behind it how far it may be from that. */
export function amount(range: Range): string {
  const likely = range.likely ?? 0;
  return range.low === range.high
    ? bytes(likely)
    : `${bytes(likely)} (${bytes(range.low ?? 0)} to ${bytes(range.high ?? 0)})`;
}

/** What a group's cameras put on disks; what nobody knows is not nothing. */
export function load(group: { cameras: number; unknown: number }, side: Schemas['LoadView']): string {
  const known = group.cameras - group.unknown;
  if (known === 0) {
    return 'not known';
  }
  const sum = bytes(side.allBytesADay.likely ?? 0);
  return group.unknown === 0 ? sum : `${sum} of ${known} of ${group.cameras}`;
}

/** How far right a number of days is, in percent; what has no end is at the end. */
export function place(value: number | undefined, scale: number): number {
  return value === undefined ? 100 : Math.min(100, (100 * value) / scale);
}

/** To how many days the line goes for all of these: the next round number over what is wanted and likely, at most a year. */
export function scaleOf(stores: Store[]): number {
  const most = stores.flatMap((s) => [
    (s.then.wanted ?? 0) * 1.5,
    s.then.days?.likely ?? 0,
    s.now.days?.likely ?? 0,
  ]);
  const top = Math.min(90, Math.max(14, ...most));
  return Math.ceil(top / 10) * 10;
}

/** One sentence over all stores. */
export function answer(forecast: Schemas['ForecastView']): string {
  const of = (verdict: string) => forecast.verdicts[verdict] ?? 0;
  const parts = [
    of('TOO_SHORT') > 0 ? `${of('TOO_SHORT')} too short` : '',
    of('CLOSE') > 0 ? `${of('CLOSE')} perhaps too short` : '',
    of('NOT_KNOWN') > 0 ? `of ${of('NOT_KNOWN')} nobody knows` : '',
    of('ENOUGH') > 0 ? `${of('ENOUGH')} long enough` : '',
    of('NOTHING_WANTED') > 0 ? `of ${of('NOTHING_WANTED')} nothing is wanted` : '',
  ].filter((p) => p !== '');
  return `Of ${forecast.stores} ${forecast.stores === 1 ? 'store' : 'stores'}, once policy is given out: ${parts.join(', ')}.`;
}
