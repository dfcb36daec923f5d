import type { Schemas } from '../lib/api/client';
import { count, names, when } from '../lib/format';

type Pause = Schemas['Pause'];

/** What stops recording while it is written, and for how long as far as that was seen. */
export function pauseWords(pause: Pause): string {
  const [first] = pause.recorders;
  const one = pause.recorders.length === 1 ? first : undefined;
  const who = pause.allChannels
    ? `${one ?? `Each of ${names(pause.recorders)}`} records nothing on any channel`
    : `Each camera of ${names(pause.recorders)} records nothing`;
  return `${who} while it is written: ${measured(pause.last, one)}.`;
}

function measured(last: Pause['last'], recorder?: string): string {
  if (!last) {
    return 'some seconds, not measured yet';
  }
  const where = (last.recorder === recorder ? '' : `at ${last.recorder}, `) + when(last.at);
  if (last.gapSeconds === undefined) {
    return `not measured; the calls took ${last.writingSeconds.toFixed(1)} s the last time (${where})`;
  }
  return last.gapSeconds === 0
    ? `no gap was seen the last time (${where})`
    : `${last.gapSeconds.toFixed(1)} s for ${count(last.cameras, 'camera')} the last time (${where})`;
}
