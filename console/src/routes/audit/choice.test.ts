import { describe, expect, it } from 'vitest';
import { actsOf, Choice, type Finding } from './choice.svelte';

const finding = (id: number, ...acts: string[]) => ({ id, acts }) as Finding;

describe('choosing findings', () => {
  it('offers what can be decided about all of them, and a person for any', () => {
    expect(actsOf([])).toEqual([]);
    expect(actsOf([finding(1)])).toEqual(['assign']);
    expect(actsOf([finding(1, 'reapply', 'adopt', 'accept'), finding(2, 'accept')])).toEqual([
      'accept',
      'assign',
    ]);
  });

  it('takes a whole group, and gives it back when all of it was chosen', () => {
    const choice = new Choice();
    const group = [finding(1), finding(2), finding(3)];
    choice.toggle(finding(2));
    choice.toggle(finding(9));
    choice.toggleAll(group);
    expect(choice.ids.sort()).toEqual([1, 2, 3, 9]);
    choice.toggleAll(group);
    expect(choice.ids).toEqual([9]);
  });
});
