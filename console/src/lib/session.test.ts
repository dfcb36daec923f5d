import { describe, expect, it } from 'vitest';
import { person } from './session.svelte';

const session = (role: string, places: string[] = []) => ({
  user: 'ola',
  role,
  places,
  footage: false,
  decides: false,
  mustChoosePassword: false,
});

describe('what a person is offered', () => {
  it.each([
    ['VIEWER', [true, false, false]],
    ['EDITOR', [true, true, false]],
    ['ADMINISTRATOR', [true, true, true]],
    ['something new', [false, false, false]],
  ])('%s', (role, expected) => {
    person.session = session(role);
    expect([person.may('VIEWER'), person.may('EDITOR'), person.may('ADMINISTRATOR')]).toEqual(expected);
  });

  it('who looks at some groups alone does not look everywhere', () => {
    person.session = session('EDITOR', ['fleet/north']);
    expect(person.everywhere).toBe(false);
    person.session = session('EDITOR');
    expect(person.everywhere).toBe(true);
  });

  it('nobody is offered anything before signing in', () => {
    person.session = null;
    expect(person.may('VIEWER')).toBe(false);
    expect(person.role).toBe('');
  });

  it('who decides findings, or sees footage, may do so whatever the role', () => {
    person.session = { ...session('VIEWER'), decides: true };
    expect([person.may('DECIDE'), person.may('FOOTAGE'), person.may('EDITOR')]).toEqual([true, false, false]);
    person.session = { ...session('EDITOR'), footage: true };
    expect([person.may('DECIDE'), person.may('FOOTAGE')]).toEqual([false, true]);
  });
});
