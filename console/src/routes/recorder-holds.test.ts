import { describe, expect, it } from 'vitest';
import { clockWords, held, holds } from './recorder-holds';

type Camera = Parameters<typeof holds>[0][number];

function camera(values: Record<string, string | undefined>): Camera {
  return {
    row: {},
    settings: Object.entries(values).map(([key, observed]) => ({ key, title: `The ${key}`, observed })),
  } as unknown as Camera;
}

describe('what the cameras of a recorder hold', () => {
  it('stands once where it is the same, and by camera where it is not', () => {
    const all = [
      camera({ week: 'daily motion', level: '3', none: undefined }),
      camera({ week: 'daily motion', level: '4', none: undefined }),
      camera({ week: 'daily motion', level: '4', none: undefined }),
    ];
    expect(holds(all)).toEqual({
      shared: [{ key: 'week', title: 'The week', value: 'daily motion' }],
      differing: [{ key: 'level', title: 'The level', usual: '4' }],
    });
  });

  it('differs where one shows nothing', () => {
    const all = [camera({ week: 'daily motion' }), camera({ week: undefined })];
    expect(holds(all).differing).toMatchObject([{ key: 'week', title: 'The week' }]);
    expect(all.map((c) => held(c, 'week'))).toEqual(['daily motion', '']);
  });

  it('is by camera where there is one alone', () => {
    expect(holds([camera({ level: '3' })])).toMatchObject({ shared: [], differing: [{ key: 'level' }] });
    expect(holds([])).toEqual({ shared: [], differing: [] });
  });
});

describe('a clock', () => {
  it.each([
    [undefined, 'not known'],
    [1, 'right to the second'],
    [-37, '37 s slow'],
    [-2221, '37 min slow'],
    [150, '3 min fast'],
  ])('%s seconds ahead is told', (seconds, words) => {
    expect(clockWords(seconds)).toBe(words);
  });
});
