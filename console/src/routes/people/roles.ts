import type { Schemas } from '../../lib/api/client';

/** One role, for the fleet when no group is named. */
export interface Grant {
  role: string;
  group: string;
}

/** What somebody may do, as it is being edited. */
export interface Roles {
  grants: Grant[];
  /** Empty for as their roles have it. */
  footage: '' | 'yes' | 'no';
  decides: '' | 'yes' | 'no';
}

const said = (may: boolean | undefined): Roles['footage'] => (may === undefined ? '' : may ? 'yes' : 'no');

export function rolesOf(person: Pick<Schemas['PersonView'], 'roles' | 'footage' | 'decides'>): Roles {
  return {
    grants: person.roles.map((text) => {
      const colon = text.indexOf(':');
      return colon < 0
        ? { role: text, group: '' }
        : { role: text.slice(0, colon), group: text.slice(colon + 1) };
    }),
    footage: said(person.footage),
    decides: said(person.decides),
  };
}

export const aViewer = (): Roles => rolesOf({ roles: ['viewer'] });

/** As the service takes it. */
export function asked(roles: Roles): Schemas['RolesRequest'] {
  return {
    roles: roles.grants.map(({ role, group }) => (group.trim() ? `${role}:${group.trim()}` : role)),
    ...(roles.footage ? { footage: roles.footage === 'yes' } : {}),
    ...(roles.decides ? { decides: roles.decides === 'yes' } : {}),
  };
}

/** For a line of a table. */
export function rolesWords(person: Pick<Schemas['PersonView'], 'roles' | 'footage' | 'decides'>): string {
  const words = person.roles.map((text) => text.replace(':', ' in '));
  if (person.footage !== undefined) {
    words.push(person.footage ? 'sees footage' : 'no footage');
  }
  if (person.decides !== undefined) {
    words.push(person.decides ? 'decides findings' : 'decides no findings');
  }
  return words.join(', ');
}
