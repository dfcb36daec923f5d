import { api, ask, Refused, type Schemas } from '../lib/api/client';
import { TemplateDraft } from '../lib/edit/template-draft.svelte';

type Stored = Schemas['TemplateView'];

/** A template from being opened to being saved, also when somebody else saves it meanwhile. */
export class TemplateEditing {
  draft = $state.raw<TemplateDraft>();
  busy = $state(false);
  error = $state.raw<Error>();
  /** What somebody else saved after this was opened; nothing while nobody did. */
  theirs = $state.raw<Stored>();
  /** The text that the work began from. */
  began = $state('');
  #revision = 0;
  readonly #name: () => string;

  constructor(name: () => string) {
    this.#name = name;
  }

  /** Begins; what is being worked on is not touched by what is read later. */
  open(stored: Stored) {
    if (!this.draft) {
      this.draft = new TemplateDraft(stored.text);
      this.#from(stored);
    }
  }

  /** Goes on from what somebody else saved, with their text or one's own; what was there stays in Undo. */
  readonly goOn = (text: string, stored: Stored) => {
    this.draft?.type(text);
    this.#from(stored);
    this.theirs = undefined;
  };

  /** @returns whether it is saved */
  async save(): Promise<boolean> {
    const draft = this.draft;
    if (!draft?.changed || draft.fault || this.busy) {
      return false;
    }
    this.busy = true;
    this.error = undefined;
    try {
      await ask(
        api.PUT('/api/v1/templates/{name}', {
          params: { path: { name: this.#name() }, header: { 'If-Match': `"${this.#revision}"` } },
          body: { text: draft.text },
        }),
      );
      draft.saved();
      return true;
    } catch (e) {
      await this.#refused(e as Error);
      return false;
    } finally {
      this.busy = false;
    }
  }

  async #refused(error: Error) {
    if (!(error instanceof Refused && error.status === 412)) {
      this.error = error;
      return;
    }
    try {
      this.theirs = await ask(
        api.GET('/api/v1/templates/{name}', { params: { path: { name: this.#name() } } }),
      );
    } catch (e) {
      this.error = e as Error;
    }
  }

  #from(stored: Stored) {
    this.#revision = stored.revision;
    this.began = stored.text;
  }
}
