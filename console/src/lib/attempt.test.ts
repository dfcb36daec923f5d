import { describe, expect, it } from 'vitest';
import { Attempt } from './attempt.svelte';

describe('an attempt', () => {
  it('is under way until it ends, and says why it failed until the next', async () => {
    const attempt = new Attempt();
    let fail = () => {};
    let done = 0;
    const failing = attempt.run(
      () => new Promise((_, reject) => (fail = () => reject(new Error('away')))),
      () => done++,
    );
    expect(attempt.busy).toBe(true);
    fail();
    await failing;
    expect(attempt.busy).toBe(false);
    expect(attempt.error?.message).toBe('away');
    expect(done).toBe(0);
    await attempt.run(
      () => Promise.resolve(),
      () => done++,
    );
    expect(attempt.error).toBeUndefined();
    expect(done).toBe(1);
  });
});
