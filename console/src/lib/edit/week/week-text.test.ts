import { describe, expect, it } from 'vitest';
import { isLevel, isTriggers, ONE_DAY, paint, parse, print, silent } from './week-text';

const canonical = (text: string) => print(parse(text, isTriggers));

describe('the text of a week', () => {
  it.each([
    ['daily motion', 'daily motion'],
    ['mon-fri 06:00-18:30 continuous', 'mon-fri 06:00-18:30 continuous'],
    ['fri-mon 22:00-04:00 motion+alarm', 'fri-mon 22:00-04:00 motion+alarm'],
    ['mon 18:00- continuous', 'mon 18:00-24:00 continuous'],
    ['sun 22:00-04:00 motion', 'sun 22:00-04:00 motion'],
    ['daily motion\nsun none', 'mon-sat motion\nsun none'],
    ['mon 06:00-07:00 alarm\ntue 06:00-07:00 alarm', 'mon,tue 06:00-07:00 alarm'],
    ['', ''],
  ])('%s', (text, expected) => {
    expect(canonical(text)).toBe(expected);
    expect(canonical(expected)).toBe(expected);
  });

  it.each([
    'daily',
    'someday motion',
    'mon 25:00-26:00 motion',
    'mon 06:00-06:00 motion',
    'mon walking',
    'a b c d',
  ])('refuses %s with its line', (text) => {
    expect(() => parse(`daily motion\n${text}`, isTriggers)).toThrow(
      expect.objectContaining({ line: 2 }) as Error,
    );
  });

  it('later lines paint over earlier ones, and erasing leaves nothing said', () => {
    const week = parse('daily motion\nwed 10:00-12:00 continuous', isTriggers);
    expect(week[2 * 1440 + 600]).toBe('continuous');
    expect(print(paint(week, 2, 0, 1440, undefined))).toBe('thu-tue motion');
    expect(print(silent())).toBe('');
  });

  it('knows values by time', () => {
    expect(print(parse('daily 21:00-05:30 45', isLevel))).toBe('daily 21:00-05:30 45');
    expect(isLevel('101')).toBe(false);
    expect(isTriggers('motion,walking')).toBe(false);
  });
});

describe('the text of one special day', () => {
  it.each([
    ['daily continuous', 'daily continuous'],
    [
      'daily 00:00-08:00 none\ndaily 08:00-12:00 motion\ndaily 12:00-24:00 none',
      'daily none\ndaily 08:00-12:00 motion',
    ],
    [
      'daily motion\ndaily 06:00-20:00 continuous\ndaily 10:00-12:00 alarm',
      'daily motion\ndaily 06:00-20:00 continuous\ndaily 10:00-12:00 alarm',
    ],
    ['daily motion\ndaily 12:00-24:00 none', 'daily 00:00-12:00 motion\ndaily 12:00-24:00 none'],
  ])('%s', (text, expected) => {
    expect(ONE_DAY.print(ONE_DAY.parse(text, isTriggers))).toBe(expected);
  });

  it.each([
    ['mon continuous', 1],
    ['daily none\ndaily 22:00-04:00 motion', 2],
    ['daily none\ndaily 08:00-12:00 walking', 2],
    ['daily 08:00-24:00 motion', 1],
    ['', 1],
  ])('refuses "%s" at line %i', (text, line) => {
    expect(() => ONE_DAY.parse(text, isTriggers)).toThrow(expect.objectContaining({ line }) as Error);
  });

  it('what is erased leaves the day as it was typed', () => {
    const day = ONE_DAY.parse('daily motion\ndaily 06:00-20:00 none', isTriggers);
    expect(ONE_DAY.print(paint(day, 0, 360, 1200, 'motion'))).toBe('daily motion');
  });
});
