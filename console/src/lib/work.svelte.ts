import { ask, api, type Schemas } from './api/client';

export type Work = Schemas['WorkView'];

const ENDED: Record<string, string> = {
  done: 'Done',
  partly: 'Done in part',
  stopped: 'Stopped',
  failed: 'Failed',
};

export function hasEnded(work: Work): boolean {
  return work.state in ENDED;
}

/** A state as people read it. */
export function stateWords(state: string): string {
  return (
    ENDED[state] ??
    { asked: 'To be let go', waiting: 'Waiting', running: 'Running', paused: 'Paused' }[state] ??
    state
  );
}

/** Follows one piece of long work by the service's events until it ends. */
export class WorkFollower {
  work = $state<Work | undefined>();
  #source: EventSource | undefined;

  follow(id: number, ended: (work: Work) => void = () => {}) {
    this.stop();
    const source = new EventSource(`/api/v1/works/${id}/progress`);
    this.#source = source;
    const take = (work: Work) => {
      this.work = work;
      if (hasEnded(work)) {
        this.stop();
        ended(work);
      }
    };
    source.addEventListener('work', (e) => take(JSON.parse((e as MessageEvent<string>).data) as Work));
    // A page that is left keeps no connection, of which a browser has few.
    window.addEventListener('pagehide', () => this.stop(), { once: true });
    source.onerror = () => {
      // The stream ends with the work; if it broke off before, the browser tries again by itself.
      void ask(api.GET('/api/v1/works/{id}', { params: { path: { id } } }))
        .then((work) => hasEnded(work) && this.#source && take(work))
        .catch(() => this.stop());
    };
  }

  stop() {
    this.#source?.close();
    this.#source = undefined;
  }

  get running(): boolean {
    return this.work !== undefined && !hasEnded(this.work);
  }
}
