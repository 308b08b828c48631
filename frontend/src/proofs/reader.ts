import type { Proofs } from "../api/client";
import { ApiProblem } from "../api/problem";

export interface Wish {
  path: string;
  typed: Record<string, unknown>;
}

export interface ReaderState {
  proofs: Proofs | undefined;
  lost: boolean;
}

/**
 * Asks for proofs while somebody types: at once, one question at a time, and always for the newest words
 * next, so that a slow line never shows older words after newer ones, nor waits for the typing to end.
 */
export class ProofReader {
  private state: ReaderState = { proofs: undefined, lost: false };
  private readonly listeners = new Set<() => void>();
  private wish: Wish | undefined;
  private busy = false;

  constructor(private readonly ask: (wish: Wish) => Promise<Proofs>) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): ReaderState => this.state;

  want(wish: Wish): void {
    this.wish = wish;
    if (!this.busy) void this.work();
  }

  private set(state: ReaderState): void {
    this.state = state;
    for (const listener of this.listeners) listener();
  }

  private async work(): Promise<void> {
    this.busy = true;
    while (this.wish) {
      const next = this.wish;
      this.wish = undefined;
      try {
        this.set({ proofs: await this.ask(next), lost: false });
      } catch (error) {
        // A refusal (a page that is gone, a session that ended) is said elsewhere; the last proofs stay.
        this.set({ ...this.state, lost: !(error instanceof ApiProblem) });
      }
    }
    this.busy = false;
  }
}
