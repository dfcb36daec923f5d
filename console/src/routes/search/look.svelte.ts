/** Follows what the service looks for until it ends; what nobody follows stops by itself. */
export class Look<T extends { id: number; state: string }> {
  view = $state.raw<T | undefined>();
  error = $state<Error | undefined>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private gone = false;

  constructor(
    private readonly ask: (id: number) => Promise<T>,
    private readonly end: (id: number) => Promise<T>,
    private readonly every = 500,
  ) {}

  get looks(): boolean {
    return this.view?.state === 'looking';
  }

  async start(begin: () => Promise<T>): Promise<void> {
    this.error = undefined;
    this.gone = false;
    try {
      const before = this.view;
      if (before?.state === 'looking') {
        await this.end(before.id);
      }
      this.view = await begin();
      this.next();
    } catch (e) {
      this.error = e as Error;
    }
  }

  async stop(): Promise<void> {
    if (this.view && this.looks) {
      try {
        this.view = await this.end(this.view.id);
      } catch (e) {
        this.error = e as Error;
      }
    }
  }

  /** When nobody looks at the page any more. */
  leave(): void {
    this.gone = true;
    clearTimeout(this.timer);
    if (this.view && this.looks) {
      void this.end(this.view.id).catch(() => undefined);
    }
  }

  private next(): void {
    clearTimeout(this.timer);
    if (this.looks && !this.gone) {
      this.timer = setTimeout(() => void this.again(), this.every);
    }
  }

  private async again(): Promise<void> {
    const id = this.view?.id;
    if (id === undefined || this.gone) {
      return;
    }
    try {
      const now = await this.ask(id);
      if (this.view?.id === id) {
        this.view = now;
        this.next();
      }
    } catch (e) {
      this.error = e as Error;
    }
  }
}
