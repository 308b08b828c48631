import { useEffect } from "react";

interface Step {
  done: number;
  total: number;
}

interface Watch<S extends Step> {
  /** Does the next part of the work, after so many. */
  step: (done: number) => Promise<S>;
  onStep: (step: S) => void;
  onEnd?: () => void;
  onFailed: (error: Error) => void;
}

/**
 * Work of the server that is asked for part by part until all is done; begun anew for another `key`, ended where that
 * is empty or when nobody looks any more.
 */
export function useSteps<S extends Step>(key: string, watch: Watch<S>): void {
  useEffect(() => {
    if (!key) return;
    const turn = { isOver: false };
    const work = async () => {
      for (let done = 0; ;) {
        const now = await watch.step(done);
        if (turn.isOver) return;
        watch.onStep(now);
        if (now.done >= now.total) return watch.onEnd?.();
        done = now.done;
      }
    };
    work().catch((wrong: unknown) => {
      if (!turn.isOver) watch.onFailed(wrong as Error);
    });
    return () => {
      turn.isOver = true;
    };
    // What is done with a part is the same as long as the key is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
}
