import { describe, expect, it } from 'vitest';
import { person } from './session.svelte';

describe('what a person is offered', () => {
  it.each([
    ['VIEWER', [true, false, false]],
    ['EDITOR', [true, true, false]],
    ['ADMINISTRATOR', [true, true, true]],
    ['something new', [false, false, false]],
  ])('%s', (role, expected) => {
    person.session = { user: 'ola', role, mustChoosePassword: false };
    expect([person.may('VIEWER'), person.may('EDITOR'), person.may('ADMINISTRATOR')]).toEqual(expected);
  });

  it('nobody is offered anything before signing in', () => {
    person.session = null;
    expect(person.may('VIEWER')).toBe(false);
    expect(person.role).toBe('');
  });
});
