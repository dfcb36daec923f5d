import { describe, expect, it } from 'vitest';
import { dots } from './strip';

describe('a strip of members', () => {
  it('is one quiet dot on the notch when all are in tune', () => {
    expect(dots([], 40)).toEqual([{ kind: 'in-tune', x: 28, radius: 1.8, count: 40 }]);
  });

  it('keeps a lone stray apart from forty that are well, and draws it last', () => {
    const drawn = dots([{ kind: 'loss', size: 3 }], 40);
    expect(drawn.at(-1)).toMatchObject({ kind: 'loss', x: 7, count: 1 });
  });

  it('shows what is astray on both sides on both sides', () => {
    expect(dots([{ kind: 'both', size: 1 }], 0).map((d) => [d.kind, d.x])).toEqual([
      ['waste', 35],
      ['loss', 21],
    ]);
  });

  it('grows with the number of members, but never out of its line', () => {
    const many = Array.from({ length: 500 }, () => ({ kind: 'waiting', size: 0 }));
    expect(dots(many, 0)[0]!.radius).toBeLessThanOrEqual(5.5);
    expect(dots(many, 0)[0]!.radius).toBeGreaterThan(dots(many.slice(0, 1), 0)[0]!.radius);
  });
});
