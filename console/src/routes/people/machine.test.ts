import { expect, test } from 'vitest';
import { machineOf } from './machine';

test.each([
  [
    'Browser/5.0 (Window system; Some OS x86_64) Engine/537.36 (and so on) Other/131.0',
    'Window system; Some OS x86_64',
  ],
  ['program/8.5.0', 'program'],
  ['(', '('],
  ['', 'unknown'],
])('%s', (program, words) => {
  expect(machineOf(program)).toBe(words);
});
