import { describe, expect, it } from 'vitest';
import { asked, aViewer, rolesOf, rolesWords } from './roles';

describe('roles of a person', () => {
  it('come back as they were said', () => {
    const person = { roles: ['technician:terminals/haldr', 'viewer'], footage: false };
    expect(asked(rolesOf(person))).toEqual(person);
    expect(rolesOf(person).decides).toBe('');
  });

  it('are for the fleet when no group is named, blanks or not', () => {
    const roles = aViewer();
    roles.grants[0]!.group = '  ';
    expect(asked(roles)).toEqual({ roles: ['viewer'] });
  });

  it('are told in words', () => {
    expect(rolesWords({ roles: ['editor:north', 'viewer'], footage: true, decides: false })).toBe(
      'editor in north, viewer, sees footage, decides no findings',
    );
  });
});
