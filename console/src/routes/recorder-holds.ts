import type { Schemas } from '../lib/api/client';

type Camera = Pick<Schemas['CameraView'], 'row' | 'settings'>;

/** A setting that all cameras of a recorder hold alike, with the value. */
export type Shared = { key: string; title: string; value: string };

/** @property usual what most of them hold */
export type Differing = { key: string; title: string; usual: string };

/** What all cameras hold stands once; what they hold differently is by camera. What none of them shows is left out. */
export function holds(cameras: Camera[]): { shared: Shared[]; differing: Differing[] } {
  const shared: Shared[] = [];
  const differing: Differing[] = [];
  for (const { key, title } of cameras[0]?.settings ?? []) {
    const counts = new Map<string, number>();
    cameras.forEach((c) => counts.set(held(c, key), (counts.get(held(c, key)) ?? 0) + 1));
    const [usual] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [''];
    if (counts.size > 1 || (cameras.length === 1 && usual)) {
      // Of one camera everything would be shared, which says nothing.
      differing.push({ key, title, usual });
    } else if (usual) {
      shared.push({ key, title, value: usual });
    }
  }
  return { shared, differing };
}

export function held(camera: Camera, key: string): string {
  return camera.settings.find((s) => s.key === key)?.observed ?? '';
}

/** How a clock stands, in words. */
export function clockWords(secondsAhead: number | undefined): string {
  if (secondsAhead === undefined) {
    return 'not known';
  }
  const off = Math.abs(secondsAhead);
  if (off < 2) {
    return 'right to the second';
  }
  const size = off < 120 ? `${off} s` : `${Math.round(off / 60)} min`;
  return `${size} ${secondsAhead > 0 ? 'fast' : 'slow'}`;
}
