/** What a person does at a page: whether it is under way, and why it failed the last time. */
export class Attempt {
  error = $state<Error | undefined>();
  busy = $state(false);

  /** @param done follows when it did not fail */
  async run(act: () => Promise<unknown>, done: () => void = () => {}): Promise<void> {
    this.error = undefined;
    this.busy = true;
    try {
      await act();
      done();
    } catch (e) {
      this.error = e as Error;
    } finally {
      this.busy = false;
    }
  }
}
