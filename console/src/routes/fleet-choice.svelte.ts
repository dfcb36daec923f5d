import { SvelteSet } from 'svelte/reactivity';

/** Which of the rows shown are chosen for an act; a row and Shift choose a stretch. */
export class Choice {
  readonly chosen = new SvelteSet<string>();
  #last = '';

  toggle(camera: string, stretch: boolean, order: readonly string[]) {
    const on = !this.chosen.has(camera);
    const from = order.indexOf(this.#last);
    const to = order.indexOf(camera);
    const cameras =
      stretch && from >= 0 && to >= 0 ? order.slice(Math.min(from, to), Math.max(from, to) + 1) : [camera];
    for (const c of cameras) {
      if (on) {
        this.chosen.add(c);
      } else {
        this.chosen.delete(c);
      }
    }
    this.#last = camera;
  }

  clear() {
    this.chosen.clear();
    this.#last = '';
  }

  /** As the selection language says it. */
  get selection(): string {
    return 'camera:' + [...this.chosen].join(',camera:');
  }
}
