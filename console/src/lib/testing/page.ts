import { flushSync, mount, unmount, type Component } from 'svelte';
import { afterEach } from 'vitest';
import Provided from './Provided.svelte';

/** The box that every element of a test stands in; a pointer's place is told by it. */
export const BOX = { left: 0, top: 0, width: 1440, height: 1000 };

/**
 * Puts a component on an empty page that has a size and lets pointers be captured, which the simulated browser does not,
 * and takes it away after the test.
 */
export function show<P extends Record<string, unknown>>(component: Component<P>, props: P): HTMLElement {
  Element.prototype.getBoundingClientRect = () => ({ ...BOX }) as DOMRect;
  Element.prototype.setPointerCapture = () => undefined;
  const page = document.createElement('main');
  document.body.replaceChildren(page);
  const shown = mount(Provided, {
    target: page,
    props: { shown: component as unknown as Component, given: props },
  });
  flushSync();
  afterEach(() => unmount(shown));
  return page;
}

export function one<E extends Element = HTMLElement>(page: Element, selector: string): E {
  const found = page.querySelector<E>(selector);
  if (!found) {
    throw new Error(`nothing on the page is ${selector}`);
  }
  return found;
}

/** Presses the button that says this. */
export function click(page: Element, words: string) {
  const found = [...page.querySelectorAll('button')].find((b) => b.textContent.trim() === words);
  if (!found) {
    throw new Error(`no button says "${words}"`);
  }
  found.click();
  flushSync();
}

export function point(on: Element, type: string, event: PointerEventInit = {}) {
  on.dispatchEvent(new PointerEvent(type, { button: 0, pointerId: 1, bubbles: true, ...event }));
  flushSync();
}

export function press(on: Element, key: string, with_: KeyboardEventInit = {}) {
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...with_ }));
  flushSync();
}

/** A pointer that goes down at the first place, over the others, and up; places in pixels. */
export function drag(on: Element, ...places: [number, number][]) {
  const [first = [0, 0], ...others] = places;
  const at = ([clientX, clientY]: [number, number]) => ({ clientX, clientY });
  point(on, 'pointerdown', at(first));
  others.forEach((place) => point(on, 'pointermove', at(place)));
  point(on, 'pointerup', at(places.at(-1) ?? first));
}

export function type(into: HTMLInputElement | HTMLTextAreaElement, text: string) {
  into.value = text;
  into.dispatchEvent(new Event('input', { bubbles: true }));
  into.dispatchEvent(new Event('change', { bubbles: true }));
  flushSync();
}
