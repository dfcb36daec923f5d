/** What moves quickly is told this often at most. */
const PAUSE = 1_000;

/**
 * Hears from the service that something has changed, instead of asking again and again. A stream that breaks off is opened
 * again by the browser; what was missed meanwhile shows in the numbers of the first event.
 */
export class Changes {
  #source: EventSource | undefined;
  #known: Record<string, number> | undefined;
  #waiting = new Set<string>();
  #timer: ReturnType<typeof setTimeout> | undefined;

  #end: () => void = () => {};

  /**
   * Only a page that is looked at listens: a browser has few connections to one service, and pages in other tabs or in its
   * memory of pages left would use them up.
   *
   * @param changed is called with the topics of which something is new
   */
  listen(changed: (topics: string[]) => void) {
    this.stop();
    const look = () => (document.visibilityState === 'visible' ? this.#open(changed) : this.#close());
    const leave = () => this.#close();
    document.addEventListener('visibilitychange', look);
    window.addEventListener('pageshow', look);
    window.addEventListener('pagehide', leave);
    this.#end = () => {
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('pageshow', look);
      window.removeEventListener('pagehide', leave);
    };
    look();
  }

  #open(changed: (topics: string[]) => void) {
    if (!this.#source) {
      this.#source = new EventSource('/api/v1/changes');
      this.#source.addEventListener('changed', (e) =>
        this.take(JSON.parse((e as MessageEvent<string>).data) as Record<string, number>, changed),
      );
    }
  }

  #close() {
    this.#source?.close();
    this.#source = undefined;
  }

  /** The first change is told at once, those that come soon after it together. */
  take(now: Record<string, number>, changed: (topics: string[]) => void) {
    const topics = this.#known ? differing(this.#known, now) : [];
    this.#known = now;
    topics.forEach((t) => this.#waiting.add(t));
    if (this.#waiting.size > 0 && this.#timer === undefined) {
      this.#tell(changed);
    }
  }

  #tell(changed: (topics: string[]) => void) {
    const topics = [...this.#waiting];
    this.#waiting.clear();
    if (topics.length > 0) {
      changed(topics);
    }
    this.#timer =
      topics.length > 0
        ? setTimeout(() => {
            this.#timer = undefined;
            if (this.#waiting.size > 0) {
              this.#tell(changed);
            }
          }, PAUSE)
        : undefined;
  }

  stop() {
    this.#end();
    this.#close();
    clearTimeout(this.#timer);
    this.#timer = undefined;
    this.#waiting.clear();
  }
}

/** The topics whose number is another than before. */
export function differing(before: Record<string, number>, now: Record<string, number>): string[] {
  return Object.keys(now).filter((topic) => before[topic] !== now[topic]);
}
