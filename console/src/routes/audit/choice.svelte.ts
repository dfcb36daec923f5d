import { SvelteMap } from 'svelte/reactivity';
import { api, ask, type Schemas } from '../../lib/api/client';

export type Finding = Schemas['FindingView'];
export type Act = 'reapply' | 'adopt' | 'accept' | 'assign';

/** The most that one decision takes. */
const MOST = 10_000;

/** What can be decided about all of some findings; anything can be given to a person. */
export function actsOf(findings: Iterable<Finding>): Act[] {
  const all = [...findings];
  const shared = (['reapply', 'adopt', 'accept'] as const).filter((act) =>
    all.every((f) => f.acts.includes(act)),
  );
  return all.length === 0 ? [] : [...shared, 'assign'];
}

/** The findings that are chosen, one by one or by whole groups, across pages and groups. */
export class Choice {
  readonly #chosen = new SvelteMap<number, Finding>();

  get size(): number {
    return this.#chosen.size;
  }

  get ids(): number[] {
    return [...this.#chosen.keys()];
  }

  get acts(): Act[] {
    return actsOf(this.#chosen.values());
  }

  has(id: number): boolean {
    return this.#chosen.has(id);
  }

  toggle(finding: Finding) {
    if (!this.#chosen.delete(finding.id)) {
      this.#chosen.set(finding.id, finding);
    }
  }

  /** Chooses all of them, or none when all were chosen. */
  toggleAll(findings: Finding[]) {
    if (findings.every((f) => this.has(f.id))) {
      findings.forEach((f) => this.#chosen.delete(f.id));
    } else {
      findings.forEach((f) => this.#chosen.set(f.id, f));
    }
  }

  clear() {
    this.#chosen.clear();
  }
}

export interface Narrowed {
  select: string;
  state?: string;
  severity?: string;
  assigned?: string;
  by?: string;
  name?: string;
}

/** All findings that are so narrowed, page by page; no more than one decision takes, unless said. */
export async function everyOne(narrowed: Narrowed, most = MOST): Promise<Finding[]> {
  const all: Finding[] = [];
  let after: string | undefined;
  do {
    const page: Schemas['PageFindingView'] = await ask(
      api.GET('/api/v1/findings', {
        params: { query: { ...narrowed, limit: 1000, ...(after ? { after } : {}) } },
      }),
    );
    all.push(...page.items);
    after = page.next ?? undefined;
  } while (after && all.length < most);
  return all;
}
