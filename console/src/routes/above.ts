import type { Schemas } from '../lib/api/client';
import type { Run } from '../lib/week';

interface Above {
  runs: Run[];
  areas: Schemas['AreaView'][];
}

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
    return { runs: [], areas: [] };
  }
  const here = node.replace(/^camera:/, '');
  const isOwn = (o: Schemas['OriginView'] | undefined) => o?.kind === 'override' && o.node === here;
  const runs = spoken(camera, key).flatMap(({ from, to, said, origin, beaten }): Run[] => {
    const triggers = isOwn(origin) ? beaten.find((b) => !isOwn(b.origin))?.value : said;
    return triggers === undefined ? [] : [{ from, to, triggers }];
  });
  return { runs, areas: camera.areas.filter((a) => a.origins.some((o) => !isOwn(o))) };
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
