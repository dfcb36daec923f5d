import { parse as parseYaml } from 'yaml';
import type { Schemas } from '../lib/api/client';
import { print, silent } from '../lib/edit/week/week-text';

/** A value that holds where the template at hand is silent, and who says it. */
export interface Around {
  value: unknown;
  from: string;
}

/** A template under the one at hand, as its file says it. */
export interface Under {
  name: string;
  said: Record<string, unknown>;
}

const DEEPEST = 20;

/** What a template extends, nearest first; a circle is walked once. */
export async function chain(first: string, textOf: (name: string) => Promise<string>): Promise<Under[]> {
  const found: Under[] = [];
  for (let next = first; next && found.length < DEEPEST && !found.some((f) => f.name === next);) {
    const said = parseYaml(await textOf(next)) as Record<string, unknown>;
    found.push({ name: next, said });
    next = typeof said.extends === 'string' ? said.extends : '';
  }
  return found;
}

/** What the nearest template under the one at hand says of a setting. */
export function saidUnder(under: readonly Under[], key: string): Around | undefined {
  const cut = key.indexOf('.');
  const [section, setting] = [key.slice(0, cut), key.slice(cut + 1)];
  for (const { name, said } of under) {
    const value = (said[section] as Record<string, unknown> | undefined)?.[setting];
    if (value !== undefined) {
      return { value, from: name };
    }
  }
  return undefined;
}

/** What other layers say at a camera, were `template` silent. */
export function saidAt(camera: Schemas['CameraView'], template: string, key: string): Around | undefined {
  const row = camera.settings.find((s) => s.key === key);
  if (!row?.asked) {
    return undefined;
  }
  const at = camera.row.camera;
  if (key === 'recording.week') {
    const words = weekWithout(camera.week.asked, template);
    return words ? { value: words, from: `other layers at ${at}` } : undefined;
  }
  const named = (origin: { template?: string }) => `${origin.template ?? 'an override'} at ${at}`;
  const beaten = row.beaten.find((b) => b.origin.template !== template);
  const origin = row.origins.find((o) => o.template !== template);
  return beaten
    ? { value: beaten.value, from: named(beaten.origin) }
    : origin && { value: row.asked, from: named(origin) };
}

function weekWithout(asked: Schemas['CameraView']['week']['asked'], template: string): string {
  const minutes = silent();
  for (const run of asked) {
    const mine = run.origin?.template === template;
    if (!mine || run.beaten.length > 0) {
      minutes.fill(mine ? (run.beaten[0]?.value ?? '') : run.triggers, run.from, run.to);
    }
  }
  return print(minutes).replaceAll('\n', '; ');
}
