import { expect, it } from 'vitest';
import { Choice } from './fleet-choice.svelte';

const ORDER = ['a/1', 'a/2', 'a/3', 'a/4'];

it('a stretch is chosen from the last row to this one, and given up the same way', () => {
  const choice = new Choice();
  choice.toggle('a/1', false, ORDER);
  choice.toggle('a/3', true, ORDER);
  expect([...choice.chosen].sort()).toEqual(['a/1', 'a/2', 'a/3']);
  expect(choice.selection).toBe('camera:a/1,camera:a/2,camera:a/3');
  choice.toggle('a/2', true, ORDER);
  expect([...choice.chosen]).toEqual(['a/1']);
});
