/** Plans for special days: by calendar or by one date, in the order in which they count. */

export interface Plan {
  calendar: string;
  /** One window a line; nothing where the plan of other layers is taken away. */
  text: string | undefined;
}

/** A plan of another layer, with where it comes from. */
export interface PlanAbove extends Plan {
  from: string;
}

/** Plans as a policy file holds them: a line, a list of lines, or `remove`. */
export function plansOf(value: unknown): Plan[] {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) {
    return [];
  }
  return Object.entries(value).map(([calendar, plan]) => ({
    calendar,
    text: plan === 'remove' ? undefined : lines(plan).join('\n'),
  }));
}

function lines(plan: unknown): string[] {
  if (Array.isArray(plan)) {
    return plan.flatMap(lines);
  }
  if (plan !== null && typeof plan === 'object') {
    return Object.entries(plan).map(([window, triggers]) => `${window} ${String(triggers)}`);
  }
  return String(plan)
    .split(/\s*[;\n]\s*/)
    .filter(Boolean);
}

/** What a policy file holds for these plans; nothing when there is none. */
export function plansValue(plans: readonly Plan[]): Record<string, string | string[]> | undefined {
  if (plans.length === 0) {
    return undefined;
  }
  return Object.fromEntries(
    plans.map(({ calendar, text }) => {
      const said = text === undefined ? ['remove'] : lines(text);
      return [calendar, said.length === 1 ? (said[0] ?? '') : said];
    }),
  );
}

/** The plans with one moved a place nearer to the front, where it counts before the others. */
export function earlier(plans: readonly Plan[], index: number): Plan[] {
  const moved = [...plans];
  const [plan] = moved.splice(index, 1);
  if (plan) {
    moved.splice(Math.max(0, index - 1), 0, plan);
  }
  return moved;
}
