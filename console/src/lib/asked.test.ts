import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Asked } from './asked.svelte';

interface Call {
  question: string;
  signal: AbortSignal;
  answer: (text: string) => void;
  refuse: (error: Error) => void;
}

describe('a question about what is typed', () => {
  const calls: Call[] = [];
  const asked = () =>
    new Asked<string, string>(
      (question, signal) =>
        new Promise((answer, refuse) => {
          calls.push({ question, signal, answer, refuse });
        }),
      250,
    );

  beforeEach(() => {
    calls.length = 0;
    vi.useFakeTimers();
  });
  afterEach(() => vi.useRealTimers());

  it('is asked once, when typing rests', async () => {
    const q = asked();
    for (const typed of ['c', 'ca', 'cam']) {
      q.put(typed);
      await vi.advanceTimersByTimeAsync(100);
    }
    expect(calls).toHaveLength(0);
    await vi.advanceTimersByTimeAsync(150);
    expect(calls.map((c) => c.question)).toEqual(['cam']);
  });

  it('drops the answer that comes after a newer question', async () => {
    const q = asked();
    q.put('old');
    await vi.advanceTimersByTimeAsync(250);
    q.put('new');
    expect(calls[0]?.signal.aborted).toBe(true);
    await vi.advanceTimersByTimeAsync(250);
    calls[1]?.answer('about new');
    calls[0]?.answer('about old');
    await vi.advanceTimersByTimeAsync(0);
    expect(q.answer).toBe('about new');
    expect(q.waiting).toBe(false);
  });

  it('says why it was refused and shows no older answer then', async () => {
    const q = asked();
    q.put('good');
    await vi.advanceTimersByTimeAsync(250);
    calls[0]?.answer('well');
    await vi.advanceTimersByTimeAsync(0);
    q.put('bad');
    expect(q.answer).toBe('well');
    expect(q.waiting).toBe(true);
    await vi.advanceTimersByTimeAsync(250);
    calls[1]?.refuse(new Error('no'));
    await vi.advanceTimersByTimeAsync(0);
    expect(q.answer).toBeUndefined();
    expect(q.error?.message).toBe('no');
  });

  it('is silent once it was stopped', async () => {
    const q = asked();
    q.put('asked');
    await vi.advanceTimersByTimeAsync(250);
    q.stop();
    calls[0]?.refuse(new Error('aborted'));
    q.put('never asked');
    q.stop();
    await vi.advanceTimersByTimeAsync(1000);
    expect(calls).toHaveLength(1);
    expect(q.error).toBeUndefined();
    expect(q.waiting).toBe(false);
  });
});
