/** Work that is done one after another for each thing, and side by side for different things. */
export class Turns {
  private readonly last = new Map<string, Promise<unknown>>();

  /** Runs `work` when everything queued for this thing before it has finished, however that ended. */
  take<T>(of: string, work: () => Promise<T>): Promise<T> {
    const before = this.last.get(of) ?? Promise.resolve();
    const turn = before.then(work, work);
    this.last.set(of, turn);
    const clear = () => {
      if (this.last.get(of) === turn) this.last.delete(of);
    };
    turn.then(clear, clear);
    return turn;
  }
}
