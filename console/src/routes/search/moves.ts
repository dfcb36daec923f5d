import type { Schemas } from '../../lib/api/client';

/** Of a picture, as shares from the top left. */
export interface Rectangle {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const SMALLEST = 0.02;

/** Between two corners, within the picture; undefined where it is hardly any. */
export function between(a: [number, number], b: [number, number]): Rectangle | undefined {
  const within = (v: number) => Math.min(1, Math.max(0, v));
  const made = {
    left: within(Math.min(a[0], b[0])),
    top: within(Math.min(a[1], b[1])),
    right: within(Math.max(a[0], b[0])),
    bottom: within(Math.max(a[1], b[1])),
  };
  return made.right - made.left < SMALLEST || made.bottom - made.top < SMALLEST ? undefined : made;
}

/** As the service takes it: two corners. */
export function corners(area: Rectangle): string {
  const text = (v: number) => v.toFixed(3).replace(/\.?0+$/, '');
  return `${text(area.left)},${text(area.top)} ${text(area.right)},${text(area.bottom)}`;
}

/** For each cell the share of the pictures in which it moved there, 0 to 1; of one hour, or of all of them. */
export function shares(map: Schemas['MotionMapView'], hour: number | undefined): number[] {
  const moved = new Array<number>(map.columns * map.rows).fill(0);
  let pictures = 0;
  for (const one of map.hours) {
    if (one.pictures > 0 && (hour === undefined || one.hour === hour)) {
      const cells = atob(one.cells);
      moved.forEach((sum, c) => (moved[c] = sum + (cells.charCodeAt(c) / 255) * one.pictures));
      pictures += one.pictures;
    }
  }
  return moved.map((m) => (pictures === 0 ? 0 : m / pictures));
}
