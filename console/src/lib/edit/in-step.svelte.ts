import { untrack } from 'svelte';

/**
 * Keeps a draft and what is held elsewhere in step: what is worked on here goes out, what is changed there comes in, and
 * neither answers itself. To be called while a component is made.
 *
 * @param mine the draft's text; nothing while it cannot be understood, and then it is left alone
 */
export function inStep({
  mine,
  theirs,
  same = (a, b) => a === b,
  out,
  take,
}: {
  mine: () => string | undefined;
  theirs: () => string;
  same?: (a: string, b: string) => boolean;
  out: (text: string) => void;
  take: (text: string) => void;
}) {
  $effect(() => {
    const text = mine();
    untrack(() => {
      if (text !== undefined && !same(text, theirs())) {
        out(text);
      }
    });
  });
  $effect(() => {
    const text = theirs();
    untrack(() => {
      const now = mine();
      if (now !== undefined && !same(now, text)) {
        take(text);
      }
    });
  });
}
