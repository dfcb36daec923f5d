import { describe, expect, it } from 'vitest';
import { alike, letter, perDay, texture, time } from './week';

describe('days that look alike', () => {
  const all = (triggers: string) => [{ from: 0, to: 10080, triggers }];
  const names = (...layers: { from: number; to: number; triggers: string }[][]) =>
    alike(...layers.map(perDay)).map((row) => row.name);

  it('are one row when they follow each other', () => {
    expect(names(all('motion'))).toEqual(['daily']);
    const friday = [
      { from: 0, to: 4 * 1440, triggers: 'motion' },
      { from: 4 * 1440, to: 5 * 1440, triggers: 'continuous' },
      { from: 5 * 1440, to: 10080, triggers: 'motion' },
    ];
    expect(names(friday)).toEqual(['mon–thu', 'fri', 'sat–sun']);
    expect(alike(perDay(friday)).map((row) => row.day)).toEqual([0, 4, 5]);
  });

  it('differ when any layer does', () => {
    const sunday = [{ from: 6 * 1440, to: 10080, triggers: 'none' }];
    expect(names(all('motion'), sunday)).toEqual(['mon–sat', 'sun']);
    expect(names([], [])).toEqual(['daily']);
  });
});

describe('a week cut into days', () => {
  it('cuts a run at every midnight it crosses', () => {
    const days = perDay([{ from: 1380, to: 2880 + 60, triggers: 'motion' }]);
    expect(days[0]).toMatchObject([{ from: 1380, to: 1440 }]);
    expect(days[1]).toMatchObject([{ from: 0, to: 1440 }]);
    expect(days[2]).toMatchObject([{ from: 0, to: 60 }]);
    expect(days[3]).toEqual([]);
  });

  it('does not repeat a run that ends at midnight on the next day', () => {
    const days = perDay([{ from: 0, to: 1440, triggers: 'continuous' }]);
    expect(days.map((d) => d.length)).toEqual([1, 0, 0, 0, 0, 0, 0]);
  });

  it('loses no minute', () => {
    const runs = [
      { from: 0, to: 333, triggers: 'motion' },
      { from: 333, to: 9999, triggers: 'none' },
      { from: 9999, to: 10080, triggers: 'continuous' },
    ];
    const minutes = perDay(runs)
      .flat()
      .reduce((sum, p) => sum + p.to - p.from, 0);
    expect(minutes).toBe(10080);
  });
});

describe('triggers', () => {
  it('have a letter and a texture each', () => {
    expect(letter('motion+alarm')).toBe('M+A');
    expect(letter('alarm,motion')).toBe('A M');
    expect(texture('alarm,motion')).toBe('t-motion');
    expect(texture('none')).toBe('t-none');
    expect(texture('motion+alarm')).toBe('t-motion-alarm');
  });

  it('print the end of the day as 24:00', () => {
    expect(time(1440)).toBe('24:00');
    expect(time(330)).toBe('05:30');
  });
});
