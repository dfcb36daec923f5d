import { describe, expect, it } from 'vitest';
import { pauseWords } from './pauses';

const last = { recorder: 'haldr-2', cameras: 3, writingSeconds: 1.2, at: '2026-11-26T12:00:00Z' };

describe('what stops while it is written', () => {
  it('is told of the recorder itself', () => {
    const words = pauseWords({
      family: 'gannet',
      recorders: ['haldr-2'],
      allChannels: true,
      cameras: 3,
      last: { ...last, gapSeconds: 2.44 },
    });
    expect(words).toMatch(
      /^haldr-2 records nothing on any channel while it is written: 2\.4 s for 3 cameras/,
    );
    expect(words).not.toContain('at haldr-2');
  });

  it('is told of another of its family, and is not invented', () => {
    const pause = { family: 'fulmar', recorders: ['a', 'b', 'c', 'd', 'e'], allChannels: false, cameras: 9 };
    expect(pauseWords(pause)).toBe(
      'Each camera of a, b, c and 2 more records nothing while it is written: some seconds, not measured yet.',
    );
    expect(pauseWords({ ...pause, last: { ...last, gapSeconds: 0 } })).toContain(
      'no gap was seen the last time (at haldr-2, ',
    );
    expect(pauseWords({ ...pause, last })).toContain('not measured; the calls took 1.2 s');
  });

  it('is told once for many of a family', () => {
    const pause = { family: 'gannet', recorders: ['a', 'b', 'c', 'd', 'e'], allChannels: true, cameras: 30 };
    expect(pauseWords({ ...pause, last: { ...last, gapSeconds: 2 } })).toMatch(
      /^Each of a, b, c and 2 more records nothing on any channel while it is written: 2\.0 s for 3 cameras the last time \(at haldr-2, /,
    );
  });
});
