import document from '../../../../docs/guide/words.md';
import type { Section } from './pages';

/** The domain's words, by the last part of their address. */
export const WORDS: ReadonlyMap<string, Section> = new Map(document.sections.slice(1).map((s) => [s.id, s]));
