import { expect, test } from 'vitest';
import { rolloutTerms, termsBody, termsWords } from './rollout-terms';

test('what is typed is what the service is asked for', () => {
  expect(termsBody(rolloutTerms())).toEqual({ waves: ['3'], maxFailedPercent: 0, secondPerson: false });
  expect(termsBody({ waves: ' 2 , 10%', mayFail: 5, hours: ' 22:00-05:00 ', secondPerson: true })).toEqual({
    waves: ['2', '10%'],
    maxFailedPercent: 5,
    hours: '22:00-05:00',
    secondPerson: true,
  });
});

test('it is said in words before anything is written', () => {
  expect(termsWords(rolloutTerms())).toBe(
    '3 go first, and the others only when those before were read back as written. It can be paused, stopped and undone.',
  );
  const words = termsWords({ waves: '1,5%,25%', mayFail: 4, hours: '22:00-05:00', secondPerson: true });
  expect(words).toContain('1, 5% and then 25% go first');
  expect(words).toContain('at most 4 %');
  expect(words).toContain('22:00-05:00');
  expect(words).toContain('somebody else');
});
