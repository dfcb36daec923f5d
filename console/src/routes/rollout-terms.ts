/** How a rollout is to go, as it is typed. */
export interface Terms {
  waves: string;
  mayFail: number;
  hours: string;
  secondPerson: boolean;
}

export function rolloutTerms(): Terms {
  return { waves: '3', mayFail: 0, hours: '', secondPerson: false };
}

/** As the service takes it. */
export function termsBody(terms: Terms) {
  return {
    waves: terms.waves.split(',').map((w) => w.trim()),
    maxFailedPercent: terms.mayFail,
    ...(terms.hours.trim() ? { hours: terms.hours.trim() } : {}),
    secondPerson: terms.secondPerson,
  };
}

/** What the waves mean, before it is asked for. */
export function termsWords(terms: Terms): string {
  const waves = terms.waves
    .split(',')
    .map((w) => w.trim())
    .filter((w) => w !== '');
  const first = waves.length > 1 ? `${waves.slice(0, -1).join(', ')} and then ${waves.at(-1)}` : waves[0];
  const goes = waves.length === 1 && waves[0] === '1' ? 'goes' : 'go';
  const limit =
    terms.mayFail > 0
      ? `at most ${terms.mayFail} % of those before failed`
      : 'those before were read back as written';
  return (
    `${first ?? '3'} ${goes} first, and the others only when ${limit}.` +
    (terms.hours.trim() ? ` Each recorder is written between ${terms.hours.trim()} on its own clock.` : '') +
    (terms.secondPerson ? ' Nothing is written before somebody else lets it go.' : '') +
    ' It can be paused, stopped and undone.'
  );
}
