import type { Schemas } from './api/client';

/** What a person may do; each role includes the ones before it. */
const ROLES = ['VIEWER', 'TECHNICIAN', 'EDITOR', 'ADMINISTRATOR'] as const;
export type Role = (typeof ROLES)[number];

/** What a role brings, and two things that are given beside it. */
export type Right = Role | 'FOOTAGE' | 'DECIDE';

/** The same as people say them. */
export const roles = ROLES.map((r) => r.toLowerCase() as Lowercase<Role>);

/** Who is signed in here. The service decides what is allowed; this only keeps from offering what it would refuse. */
class Person {
  session = $state.raw<Schemas['Session'] | null | undefined>();

  may(right: Right): boolean {
    if (right === 'FOOTAGE') {
      return this.session?.footage ?? false;
    }
    if (right === 'DECIDE') {
      return this.session?.decides ?? false;
    }
    return ROLES.indexOf((this.session?.role ?? '') as Role) >= ROLES.indexOf(right);
  }

  /** Whether they look at the whole fleet; others come by fewer doors. */
  get everywhere(): boolean {
    return (this.session?.places.length ?? 0) === 0;
  }

  get role(): string {
    return this.session?.role.toLowerCase() ?? '';
  }
}

export const person = new Person();
