/** Does one piece of work after the other, in the order of asking; a failed one doesn't stop the next. */
export class Turns {
  private last: Promise<unknown> = Promise.resolve();

  take<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.last.then(work);
    this.last = turn.catch(() => undefined);
    return turn;
  }

  /** When all that was asked for so far is done. */
  async idle(): Promise<void> {
    await this.last;
  }
}
