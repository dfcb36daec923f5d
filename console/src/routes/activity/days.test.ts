import { describe, expect, it } from 'vitest';
import {
  cellWords,
  changeWords,
  datesOf,
  foldedGaps,
  nowsFirst,
  nowWords,
  height,
  dayWords,
  lengthWords,
  otherDay,
  otherMonth,
  summary,
  within,
  type DaySums,
} from './days';

function day(given: Partial<DaySums> = {}): DaySums {
  return {
    date: '2026-11-22',
    begins: '2026-11-22T00:00:00Z',
    length: 86_400,
    known: 86_400,
    recorded: 3_600,
    by: { continuous: 3_000, motion: 600, alarm: 0, analytics: 0, motionAndAlarm: 0, unexplained: 0 },
    motionKnown: 86_400,
    moved: 300,
    events: 1,
    missing: 0,
    ...given,
  };
}

describe('a change', () => {
  it('is told in percent, with its direction, and not where there was nothing', () => {
    expect(changeWords(10, 5)).toBe('−50 %');
    expect(changeWords(10, 12.6)).toBe('+26 %');
    expect(changeWords(0, 3)).toBe('new');
    expect(changeWords(0, 0)).toBe('');
    expect(changeWords(4, 4)).toBe('');
  });
});

describe('days', () => {
  it('counts months as calendars do', () => {
    expect(otherMonth('2026-12', 1)).toBe('2027-01');
    expect(otherMonth('2027-01', -1)).toBe('2026-12');
    expect(datesOf('2028-02')).toHaveLength(29);
    expect(datesOf('2026-11').at(-1)).toBe('2026-11-30');
    expect(otherDay('2026-03-01', -1)).toBe('2026-02-28');
    expect(dayWords('2026-11-22')).toBe('Sun 22 Nov');
  });

  it('says what a cell shows', () => {
    expect(cellWords('2026-11-22', day(), '2026-11-23')).toBe(
      'Sun 22 Nov: recorded 50 min continuous, 10 min motion, 1 event',
    );
    expect(cellWords('2026-11-22', day({ missing: 7_200, motionKnown: 0 }), '2026-11-23')).toContain(
      ', 2 h missing',
    );
    expect(cellWords('2026-11-22', day({ known: 43_200 }), '2026-11-23')).toContain('12 h not known');
    expect(cellWords('2026-11-22', undefined, '2026-11-23')).toBe('Sun 22 Nov: not known');
    expect(cellWords('2026-11-22', day({ known: 0 }), '2026-11-23')).toBe('Sun 22 Nov: not known');
    expect(cellWords('2026-11-24', undefined, '2026-11-23')).toBe('Tue 24 Nov: still to come');
    expect(lengthWords(99)).toBe('99 s');
    expect(height(day({ recorded: 21_600 }), 21_600)).toBe(50);
    expect(height(day(), 0)).toBe(0);
    expect(lengthWords(12_000)).toBe('3 h 20 min');
  });

  it('means are over what is known alone', () => {
    expect(summary([day(), day({ known: 0, recorded: 0, motionKnown: 0, events: 0 })]).recordedADay).toBe(
      3_600,
    );
    expect(summary([day({ known: 0, motionKnown: 0 })]).recordedADay).toBeUndefined();
    expect(summary([]).eventsADay).toBeUndefined();
    expect(summary([day({ missing: undefined }), day({ missing: 60 })]).missing).toBe(60);
  });

  it('a stretch is cut at the ends of a day, which may have 25 hours', () => {
    const long = { begins: '2026-10-24T23:00:00Z', length: 90_000 };
    expect(within(long, { from: '2026-10-24T20:00:00Z', until: '2026-10-25T00:00:00Z' })).toEqual({
      left: 0,
      width: 0.04,
    });
    expect(within(long, { from: '2026-10-26T00:00:00Z', until: '2026-10-26T01:00:00Z' })).toBeUndefined();
  });

  it('gaps of a day with one cause are one, by the wall clock of the zone', () => {
    const gap = (from: string, until: string, seconds: number, words = 'a') => ({
      from,
      until,
      seconds,
      demanded: 'motion',
      words,
    });
    expect(
      foldedGaps(
        [
          gap('2027-07-02T10:00:00Z', '2027-07-02T10:00:20Z', 20),
          gap('2027-07-01T23:30:00Z', '2027-07-01T23:31:00Z', 60),
          gap('2027-07-01T10:00:00Z', '2027-07-01T10:01:00Z', 60, 'b'),
        ],
        'Atlantic/Faroe',
      ),
    ).toEqual([
      {
        date: '2027-07-02',
        from: '00:30',
        until: '11:00',
        seconds: 80,
        pieces: 2,
        demanded: 'motion',
        words: 'a',
      },
      {
        date: '2027-07-01',
        from: '11:00',
        until: '11:01',
        seconds: 60,
        pieces: 1,
        demanded: 'motion',
        words: 'b',
      },
    ]);
  });
});

describe('what a camera does now', () => {
  const now = { camera: 'haldr-1/01', label: 'pier', group: 'fleet' };
  it('is said with why it records', () => {
    expect(nowWords({ ...now, records: true, by: 'motion' })).toBe('records, motion');
    expect(nowWords({ ...now, records: true, by: 'motion+alarm' })).toBe('records, motion with an alarm');
    expect(nowWords({ ...now, records: false, moves: false })).toBe('does not record');
  });
  it('is not known where nobody told', () => {
    expect(nowWords(undefined)).toBe('not known now');
    expect(nowWords({ ...now, why: 'the recorder did not answer in time' })).toBe('not known now');
  });
  it('comes first where nobody would expect it', () => {
    const nows = new Map([['b', { ...now, camera: 'b', records: true, odd: 'records-without-motion' }]]);
    expect(nowsFirst([{ camera: 'a' }, { camera: 'b' }], nows).map((c) => c.camera)).toEqual(['b', 'a']);
  });
});
