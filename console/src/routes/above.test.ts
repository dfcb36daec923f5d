import { describe, expect, it } from 'vitest';
import type { Schemas } from '../lib/api/client';
import { above, fixedAbove, NOTHING } from './above';

const origin = (kind: string, node: string) => ({ text: kind === 'template' ? 'house' : '', kind, node });
const house = origin('template', 'fleet');
const own = origin('override', 'haldr-1/07');

const camera = {
  week: {
    asked: [
      { from: 0, to: 60, triggers: 'motion', origin: house, beaten: [] },
      {
        from: 60,
        to: 120,
        triggers: 'continuous',
        origin: own,
        beaten: [{ value: 'motion', origin: house }],
      },
      { from: 120, to: 180, triggers: 'alarm', origin: own, beaten: [] },
    ],
  },
  specialDays: [
    { calendar: 'holidays', plan: 'daily none; daily 08:00-12:00 motion', origin: house, beaten: [] },
    {
      calendar: 'winter',
      plan: 'daily none',
      origin: own,
      beaten: [{ value: 'daily motion', origin: house }],
    },
    { calendar: '2027-06-28', plan: 'daily none', origin: own, beaten: [] },
  ],
  levels: [{ from: 0, to: 60, sensitivity: '45', origin: house, beaten: [] }],
  areas: [
    { name: 'swell', origins: [house, own], points: [] },
    { name: 'mast', origins: [own], points: [] },
  ],
} as unknown as Schemas['CameraView'];

describe('what holds without a camera’s own layer', () => {
  it('is what that layer beat, and nothing where it alone speaks', () => {
    expect(above(camera, 'camera:haldr-1/07', 'recording.week').runs).toEqual([
      { from: 0, to: 60, triggers: 'motion' },
      { from: 60, to: 120, triggers: 'motion' },
    ]);
    expect(above(camera, 'camera:haldr-1/07', 'motion.sensitivity-by-time').runs).toEqual([
      { from: 0, to: 60, triggers: '45' },
    ]);
  });

  it('is the plan that it beat for a special day', () => {
    expect(above(camera, 'camera:haldr-1/07', 'recording.special-days').days).toEqual([
      { calendar: 'holidays', text: 'daily none\ndaily 08:00-12:00 motion', from: 'house' },
      { calendar: 'winter', text: 'daily motion', from: 'house' },
    ]);
  });

  it('keeps an area of which only a part is said here', () => {
    expect(above(camera, 'camera:haldr-1/07', 'motion.areas').areas.map((a) => a.name)).toEqual(['swell']);
  });

  it('is nothing where there is no camera, and for settings that are no week', () => {
    expect(above(undefined, 'fleet', 'recording.week')).toBe(NOTHING);
    expect(above(camera, 'camera:haldr-1/07', 'motion.threshold').runs).toEqual([]);
  });
});

describe('who fixes a setting above a node', () => {
  const fixedIn = (...origins: { text: string }[]) =>
    ({
      settings: [{ key: 'recording.keep-at-least', fixed: true, origins }],
    }) as unknown as Schemas['CameraView'];
  const ask = (seen: Schemas['CameraView'] | undefined, key = 'recording.keep-at-least') =>
    fixedAbove(seen, 'camera:haldr-1/07', key);

  it('is said by its words', () => {
    expect(ask(fixedIn(house))).toBe('house');
    expect(ask(fixedIn({ ...origin('override', 'fleet/terminals'), text: 'override at terminals' }))).toBe(
      'override at terminals',
    );
  });

  it('is nobody where it is fixed here, or not at all, or not known', () => {
    expect(ask(fixedIn(own))).toBeUndefined();
    expect(ask(fixedIn(house), 'motion.threshold')).toBeUndefined();
    expect(ask(undefined)).toBeUndefined();
  });
});
