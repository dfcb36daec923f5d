import type { Schemas } from '../lib/api/client';
import type { PlanAbove } from '../lib/edit/special-days';
import type { Run } from '../lib/week';

/** What other layers say of a week, of special days and of areas. */
export interface Above {
  runs: Run[];
  days: PlanAbove[];
  areas: Schemas['AreaView'][];
}

export const NOTHING: Above = { runs: [], days: [], areas: [] };

interface Spoken {
  from: number;
  to: number;
  said: string;
  origin?: Schemas['OriginView'];
  beaten: Schemas['BeatenView'][];
}

/** What holds at a camera without what is put straight on it: where that lies over it, what it beat. */
export function above(camera: Schemas['CameraView'] | undefined, node: string, key: string): Above {
  if (!camera) {
    return NOTHING;
  }
  const isOwn = ownAt(node);
  const runs = spoken(camera, key).flatMap(({ from, to, said, origin, beaten }): Run[] => {
    const triggers = isOwn(origin) ? beaten.find((b) => !isOwn(b.origin))?.value : said;
    return triggers === undefined ? [] : [{ from, to, triggers }];
  });
  const days = camera.specialDays.flatMap((d): PlanAbove[] => {
    const said = isOwn(d.origin)
      ? d.beaten.find((b) => !isOwn(b.origin))
      : { value: d.plan, origin: d.origin };
    return said
      ? [{ calendar: d.calendar, text: said.value.replaceAll('; ', '\n'), from: said.origin.text }]
      : [];
  });
  return { runs, days, areas: camera.areas.filter((a) => a.origins.some((o) => !isOwn(o))) };
}

/** What is put straight on that node. */
function ownAt(node: string) {
  const here = node.replace(/^camera:/, '');
  return (o: Schemas['OriginView'] | undefined) => o?.kind === 'override' && o.node === here;
}

function spoken(camera: Schemas['CameraView'], key: string): Spoken[] {
  switch (key) {
    case 'recording.week':
      return camera.week.asked.map((r) => ({ ...r, said: r.triggers }));
    case 'motion.sensitivity-by-time':
      return camera.levels.map((r) => ({ ...r, said: r.sensitivity }));
    default:
      return [];
  }
}

/** Who fixes the whole of it above a node; of a week or areas a part may still count. */
export function fixedAbove(
  camera: Schemas['CameraView'] | undefined,
  node: string,
  key: string,
): string | undefined {
  const isOwn = ownAt(node);
  return camera?.settings.find((s) => s.key === key && s.fixed)?.origins.find((o) => !isOwn(o))?.text;
}
