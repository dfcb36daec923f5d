import { describe, expect, it } from 'vitest';
import { between, corners, shares } from './moves';

describe('an area that is drawn', () => {
  it('goes between any two corners, and not beyond the picture', () => {
    expect(between([0.8, -0.2], [0.2, 0.5])).toEqual({ left: 0.2, top: 0, right: 0.8, bottom: 0.5 });
  });
  it('is none when it is hardly any', () => {
    expect(between([0.5, 0.5], [0.51, 0.9])).toBeUndefined();
  });
  it('is told by two corners', () => {
    expect(corners({ left: 0.25, top: 0, right: 1, bottom: 0.3333333 })).toBe('0.25,0 1,0.333');
  });
});

describe('where it moves', () => {
  const map = {
    id: 1,
    camera: 'haldr-1/01',
    from: '',
    until: '',
    state: 'done',
    columns: 2,
    rows: 1,
    stretches: 2,
    looked: 2,
    failed: 0,
    hours: [
      { hour: 6, events: 3, pictures: 10, cells: btoa('\xff\x00') },
      { hour: 7, events: 1, pictures: 30, cells: btoa('\x00\xff') },
      { hour: 8, pictures: 0, cells: btoa('\x00\x00') },
    ],
  };
  it('is the share of the pictures of all hours', () => {
    expect(shares(map, undefined)).toEqual([0.25, 0.75]);
  });
  it('is that of one hour', () => {
    expect(shares(map, 6)).toEqual([1, 0]);
  });
  it('is nowhere where nothing was looked at', () => {
    expect(shares(map, 8)).toEqual([0, 0]);
  });
});
