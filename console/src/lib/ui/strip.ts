/** A group's members on one tuning line: a dot for each place that somebody stands at, larger for more of them. */

export interface Member {
  kind: string;
  size: number;
}

export interface Dot {
  x: number;
  radius: number;
  kind: string;
  count: number;
}

const NOTCH = 28;
const STEP = 7;

export function dots(members: readonly Member[], quiet: number): Dot[] {
  const places = new Map<string, Dot>();
  const add = (kind: string, x: number, n: number) => {
    const key = `${kind} ${x}`;
    const known = places.get(key);
    const total = (known?.count ?? 0) + n;
    places.set(key, { kind, x, count: total, radius: radius(kind, total) });
  };
  for (const m of members) {
    if (m.kind === 'loss' || m.kind === 'both') {
      add('loss', NOTCH - m.size * STEP, 1);
    }
    if (m.kind === 'waste' || m.kind === 'both') {
      add('waste', NOTCH + m.size * STEP, 1);
    }
    if (m.kind === 'waiting' || m.kind === 'unknown' || m.kind === 'cannot') {
      add(m.kind, NOTCH, 1);
    }
  }
  if (quiet > 0) {
    add('in-tune', NOTCH, quiet);
  }
  // The quiet ones first, so that nothing that stands out is hidden.
  return [...places.values()].sort((a, b) => rank(a.kind) - rank(b.kind));
}

function radius(kind: string, count: number): number {
  return kind === 'in-tune' ? 1.8 : Math.min(5.5, 2.6 + Math.log2(count) * 0.8);
}

function rank(kind: string): number {
  return ['in-tune', 'cannot', 'unknown', 'waiting', 'waste', 'loss'].indexOf(kind);
}
