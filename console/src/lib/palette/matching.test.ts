import { expect, test } from 'vitest';
import { matching } from './matching';

const said = ['Recorders', 'Audit terminals / haldr', 'haldr-1 recorder', 'Fleet', 'Shaldrake', 'Haldr'].map(
  (words) => ({ words }),
);
const found = (typed: string, most = 9) => matching(said, typed, most).map((e) => e.words);

test('nothing typed is everything, as it came', () => {
  expect(found('  ')).toEqual(said.map((e) => e.words));
});

test('what begins with it comes first, then where words begin with it', () => {
  expect(found('haldr')).toEqual(['haldr-1 recorder', 'Haldr', 'Audit terminals / haldr', 'Shaldrake']);
});

test('every word has to stand somewhere, in any order', () => {
  expect(found('haldr audit')).toEqual(['Audit terminals / haldr']);
  expect(found('haldr preview')).toEqual([]);
});

test('signs are only signs', () => {
  expect(found('(.*')).toEqual([]);
  expect(found('haldr-1')).toEqual(['haldr-1 recorder']);
});

test('no more than there is room for', () => {
  expect(found('', 2)).toHaveLength(2);
});
