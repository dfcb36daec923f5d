/** Words and numbers as people read them. */

const SHORT = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

export function when(instant: string | undefined): string {
  return instant ? SHORT.format(new Date(instant)).replace(',', '') : 'never';
}

/** `3 min ago`, `2 h ago`, `5 days ago`. */
export function ago(instant: string | undefined, now: Date = new Date()): string {
  if (!instant) {
    return 'never';
  }
  const minutes = Math.floor((now.getTime() - new Date(instant).getTime()) / 60_000);
  if (minutes < 1) {
    return 'just now';
  }
  if (minutes < 60) {
    return `${minutes} min ago`;
  }
  const hours = Math.floor(minutes / 60);
  return hours < 48 ? `${hours} h ago` : `${Math.floor(hours / 24)} days ago`;
}

export function duration(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  if (hours === 0) {
    return `${rest} min`;
  }
  const said = `${hours.toLocaleString('en-GB')} h`;
  return rest === 0 || minutes > 48 * 60 ? said : `${said} ${rest} min`;
}

/** `98,030` */
export function number(n: number): string {
  return n.toLocaleString('en-GB');
}

export function count(n: number, one: string, many: string = one + 's'): string {
  return `${number(n)} ${n === 1 ? one : many}`;
}

/** Names in a sentence, of many the first few. */
export function names(all: string[]): string {
  const shown = all.length > 4 ? all.slice(0, 3) : all.slice(0, -1);
  const last = all.length > 4 ? `${all.length - 3} more` : (all.at(-1) ?? '');
  return shown.length === 0 ? last : `${shown.join(', ')} and ${last}`;
}

/** `840 MB`, `12.4 GB`, `1.9 TB`; decimal units, as disks are sold. */
export function bytes(n: number): string {
  const units = ['MB', 'GB', 'TB', 'PB'];
  let value = n / 1e6;
  let unit = 0;
  while (value >= 1000 && unit < units.length - 1) {
    value /= 1000;
    unit++;
  }
  return `${value >= 100 || unit === 0 ? Math.round(value).toLocaleString('en-GB') : value.toFixed(1)} ${units[unit]}`;
}

/** A group without the root that all of them share. */
export function groupName(path: string): string {
  return path === 'fleet' ? 'fleet' : path.replace(/^fleet\//, '').replaceAll('/', ' / ');
}

/** The group as a selection names it. */
export function groupTerm(path: string): string {
  return path === 'fleet' ? '' : `group:${path.replace(/^fleet\//, '')}`;
}

/** The date that many days from now, as dates are written in requests. */
export function dayIn(days: number, now: Date = new Date()): string {
  const day = new Date(now.getFullYear(), now.getMonth(), now.getDate() + days);
  const two = (n: number) => String(n).padStart(2, '0');
  return `${day.getFullYear()}-${two(day.getMonth() + 1)}-${two(day.getDate())}`;
}
