import { describe, expect, it } from 'vitest';
import {
  beside,
  curve,
  holdable,
  height,
  instantAt,
  length,
  nearest,
  ofArea,
  path,
  pictureAt,
  share,
  strongest,
  verdict,
  type Levels,
} from './levels';

const LEVELS = {
  adapted: [0, 0.5],
  factor: 1,
  counting: [
    [10, 20, 30],
    [1, 2, 3],
  ],
  pictures: [0, 500, 1000],
  steps: [2, 3],
  watched: 100,
} as unknown as Levels;

describe('the strip', () => {
  it('shows equal factors as equal heights, and takes them back', () => {
    const a = height(0.001) - height(0.01);
    const b = height(0.01) - height(0.1);
    expect(a).toBeCloseTo(b, 10);
    expect(share(height(0.0123))).toBeCloseTo(0.0123, 10);
    expect(height(0)).toBe(1);
    expect(height(1)).toBe(0);
  });

  it('reads the level of a step, or of the noise', () => {
    expect(curve(LEVELS, 3)).toEqual([0.01, 0.02, 0.03]);
    expect(curve(LEVELS, undefined)).toEqual([0, 0.5]);
    expect(curve(LEVELS, 64)).toEqual([]);
  });

  it('is higher where the recorder sees more, and never more than all', () => {
    expect(curve({ ...LEVELS, factor: 4 }, 3)).toEqual([0.04, 0.08, 0.12]);
    expect(curve({ ...LEVELS, factor: 40 }, 2)).toEqual([1, 1, 1]);
  });

  it('draws from the left to the right', () => {
    expect(path([0, 500, 1000], [1, 1, 1], 1000, 200, 50)).toBe('M0.0,0.0L100.0,0.0L200.0,0.0');
  });

  it('finds the picture that was seen by then', () => {
    expect([0, 499, 500, 5000].map((t) => pictureAt(LEVELS.pictures, t))).toEqual([0, 0, 1, 2]);
    expect(pictureAt([], 7)).toBeLessThanOrEqual(0);
  });
});

describe('what a device can hold', () => {
  const DEVICE = { ...LEVELS, sensitivities: [0, 50, 100], thresholds: [0.5, 5] } as unknown as Levels;
  it('is what is nearest to a setting, or to one of its areas', () => {
    expect(holdable(DEVICE, { sensitivity: '61', threshold: 4 })).toEqual({ sensitivity: 50, threshold: 5 });
    expect(holdable(DEVICE, { sensitivity: 'auto', threshold: 0.1 })).toEqual({
      sensitivity: 'auto',
      threshold: 0.5,
    });
    const setting = {
      sensitivity: '10',
      threshold: 1,
      areas: [
        { name: 'wall', sensitivity: '10', threshold: 1 },
        { name: 'door', sensitivity: '90', threshold: 2 },
      ],
    } as unknown as Parameters<typeof ofArea>[0];
    expect(ofArea(setting, 'door')?.sensitivity).toBe('90');
    expect(ofArea(setting, undefined)?.sensitivity).toBe('10');
    expect(ofArea(undefined, 'door')).toBeUndefined();
  });
  it('is taken by factors', () => {
    expect(nearest([0.1, 1, 10], 2)).toBe(1);
    expect(nearest([0.1, 1, 10], 4)).toBe(10);
  });
  it('goes on by one, and stays at its ends', () => {
    expect(beside([1, 2, 3], 2, 1)).toBe(3);
    expect(beside([3, 2, 1], 3, 1)).toBe(3);
    expect(beside([1, 2, 3], 1, -1)).toBe(1);
    expect(beside([1, 2, 3], 9, -1)).toBe(2);
  });
});

describe('words', () => {
  const report = { wanted: [{}, {}], unwanted: [{}], missed: 0, falseStarts: 0 } as never;
  it('say what it comes to', () => {
    expect(verdict(report)).toBe('Both wanted moments are caught, nothing unwanted begins motion.');
    expect(verdict({ ...(report as object), missed: 1, falseStarts: 3 } as never)).toBe(
      '1 of 2 wanted moments is missed, what is unwanted begins motion 3 times.',
    );
    expect(verdict({ wanted: [], unwanted: [], missed: 0, falseStarts: 0 } as never)).toContain(
      'Nothing is marked',
    );
  });
});

describe('lengths', () => {
  it('have no sixtieth second', () => {
    expect([9.6, 59.7, 599.5, 61].map(length)).toEqual(['10 s', '1 min', '10 min', '1 min 1 s']);
  });
});

describe('the strongest picture', () => {
  it('is none of the first, where there is nothing yet to compare with', () => {
    const values = Array.from({ length: 40 }, (_, i) => (i === 3 ? 9 : i === 30 ? 5 : 1));
    expect(strongest(values)).toBe(30);
    expect(strongest([1, 2])).toBe(1);
    expect(strongest([])).toBe(0);
  });
});

describe('a time by another clock', () => {
  it('knows summer and winter', () => {
    expect(instantAt('2027-01-14', '14:02', 'Atlantic/Faroe').toISOString()).toBe('2027-01-14T14:02:00.000Z');
    expect(instantAt('2027-07-14', '14:02:30', 'Atlantic/Faroe').toISOString()).toBe(
      '2027-07-14T13:02:30.000Z',
    );
  });
});
