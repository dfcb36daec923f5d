import { expect, it } from 'vitest';
import { compare } from './lines';

it('tells what went and what came, in order', () => {
  expect(compare('a\nb\nc', 'a\nx\nc\nd').map((l) => l.kind[0] + l.text)).toEqual([
    'sa',
    'gb',
    'nx',
    'sc',
    'nd',
  ]);
  expect(compare('a', 'a')).toEqual([{ kind: 'same', text: 'a' }]);
  expect(compare('', 'a').filter((l) => l.kind === 'new')).toHaveLength(1);
});
