import { describe, expect, it } from 'vitest';
import { earlier, plansOf, plansValue } from './special-days';

describe('plans for special days', () => {
  it.each([
    ['one line', { holidays: 'daily continuous' }, 'daily continuous'],
    [
      'lines with semicolons',
      { holidays: 'daily none; daily 08:00-12:00 motion' },
      'daily none\ndaily 08:00-12:00 motion',
    ],
    [
      'a list of lines',
      { holidays: ['daily none', 'daily 08:00-12:00 motion'] },
      'daily none\ndaily 08:00-12:00 motion',
    ],
    [
      'a list of windows',
      { holidays: [{ daily: 'none' }, { 'daily 08:00-12:00': 'motion' }] },
      'daily none\ndaily 08:00-12:00 motion',
    ],
    ['taken away', { holidays: 'remove' }, undefined],
  ])('are read from %s', (_, value, text) => {
    expect(plansOf(value)).toEqual([{ calendar: 'holidays', text }]);
  });

  it('are written as they are read', () => {
    const plans = plansOf({ holidays: 'remove', '2027-06-28': 'daily none; daily 08:00-12:00 motion' });
    expect(plansValue(plans)).toEqual({
      holidays: 'remove',
      '2027-06-28': ['daily none', 'daily 08:00-12:00 motion'],
    });
    expect(plansOf(plansValue(plans))).toEqual(plans);
    expect(plansValue([])).toBeUndefined();
    expect(plansOf('nonsense')).toEqual([]);
  });

  it('count in their order, which can be changed', () => {
    const plans = plansOf({ a: 'daily none', b: 'daily motion', c: 'daily alarm' });
    expect(earlier(plans, 2).map((p) => p.calendar)).toEqual(['a', 'c', 'b']);
    expect(earlier(plans, 0).map((p) => p.calendar)).toEqual(['a', 'b', 'c']);
  });
});
