import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Changes, differing } from './changes';

describe('changes', () => {
  beforeEach(() => vi.useFakeTimers());
  afterEach(() => vi.useRealTimers());

  it('tells what is new against the first numbers, and nothing for those', () => {
    const told: string[][] = [];
    const changes = new Changes();
    const take = (now: Record<string, number>) => changes.take(now, (t) => told.push(t));
    take({ standings: 4, works: 1 });
    expect(told).toEqual([]);
    take({ standings: 5, works: 1 });
    expect(told).toEqual([['standings']]);
  });

  it('tells together what comes quickly after each other', () => {
    const told: string[][] = [];
    const changes = new Changes();
    const take = (now: Record<string, number>) => changes.take(now, (t) => told.push(t));
    take({ standings: 1, works: 1 });
    for (let i = 2; i < 50; i++) {
      take({ standings: i, works: i % 2 === 0 ? 1 : 2 });
    }
    expect(told).toHaveLength(1);
    vi.advanceTimersByTime(1_000);
    expect(told).toHaveLength(2);
    expect(told[1]?.toSorted()).toEqual(['standings', 'works']);
    vi.advanceTimersByTime(5_000);
    expect(told).toHaveLength(2);
  });

  it('knows a topic that is new', () => {
    expect(differing({ a: 1 }, { a: 1, b: 0 })).toEqual(['b']);
  });
});
