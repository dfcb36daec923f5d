import { describe, expect, it } from 'vitest';
import { amount, answer, days, load, place, scaleOf, type Store } from './room';

function store(wanted: number | undefined, likely: number | undefined): Store {
  const load = { allBytesADay: {}, bytesADay: {}, hoursADay: {} };
  const kept = { load, verdict: 'ENOUGH', ...(wanted ? { wanted } : {}), days: likely ? { likely } : {} };
  return { recorder: 'r', cameras: 1, unknown: 0, now: kept, then: kept, savings: [], basis: '' };
}

describe('days', () => {
  it('says what is likely and how far it may be from that', () => {
    expect(days({ low: 7.9, likely: 9.4, high: 12.1 })).toBe('9 days (7 to 12)');
    expect(days({ low: 1.2, likely: 1.5, high: 1.8 })).toBe('1 day');
    expect(days({ low: 27, likely: 28, high: 30 }, true)).toBe('at least 28 days (27 to 30)');
  });

  it('tells what nobody knows from what has no end', () => {
    expect(days(undefined)).toBe('not known');
    expect(days({})).toBe('no end');
    expect(days({ low: 900, likely: 1000 })).toBe('1,000 days');
  });
});

describe('amount', () => {
  it('leaves out a range that is none', () => {
    expect(amount({ low: 5e9, likely: 5e9, high: 5e9 })).toBe('5.0 GB');
    expect(amount({ low: 4e9, likely: 5e9, high: 7e9 })).toBe('5.0 GB (4.0 GB to 7.0 GB)');
  });
});

describe('load of a group', () => {
  it('says how many are in it, and never that unknown ones put nothing anywhere', () => {
    const side = { allBytesADay: { likely: 5e9 }, bytesADay: {}, hoursADay: {} };
    expect(load({ cameras: 6, unknown: 0 }, side)).toBe('5.0 GB');
    expect(load({ cameras: 6, unknown: 2 }, side)).toBe('5.0 GB of 4 of 6');
    expect(load({ cameras: 6, unknown: 6 }, { ...side, allBytesADay: { likely: 0 } })).toBe('not known');
  });
});

describe('the line of days', () => {
  it('goes to a round number that holds what is wanted, and not to a year for one that never fills', () => {
    expect(scaleOf([store(14, 9)])).toBe(30);
    expect(scaleOf([store(undefined, 41)])).toBe(50);
    expect(scaleOf([store(30, 5000)])).toBe(90);
    expect(scaleOf([])).toBe(20);
  });

  it('keeps what has no end at its end', () => {
    expect(place(undefined, 30)).toBe(100);
    expect(place(15, 30)).toBe(50);
    expect(place(400, 30)).toBe(100);
  });
});

describe('answer', () => {
  it('counts every store once', () => {
    const load = { allBytesADay: {}, bytesADay: {}, hoursADay: {} };
    const forecast = {
      from: '2027-01-14',
      cameras: 9,
      unknown: 0,
      now: load,
      then: load,
      stores: 4,
      verdicts: { TOO_SHORT: 1, NOT_KNOWN: 2, ENOUGH: 1 },
      told: [],
      groups: [],
      costliest: [],
      basis: '',
    };
    expect(answer(forecast)).toBe(
      'Of 4 stores, once policy is given out: 1 too short, of 2 nobody knows, 1 long enough.',
    );
  });
});
