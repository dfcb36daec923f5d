/** Settings of which a word of the domain is the whole matter. */
const WORDS: Record<string, string> = {
  'motion.sensitivity': 'sensitivity',
  'motion.sensitivity-by-time': 'sensitivity',
  'motion.threshold': 'threshold',
  'motion.areas': 'area',
  'recording.week': 'week',
  'recording.before-event': 'before-and-after-an-event',
  'recording.after-event': 'before-and-after-an-event',
};

export function wordOf(setting: string): string | undefined {
  return WORDS[setting];
}
