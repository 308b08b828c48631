import { useEffect, useMemo, useSyncExternalStore } from "react";
import { api, given, type Proofs } from "../api/client";
import { ProofReader, type ReaderState } from "./reader";

function readerFor(site: string): ProofReader {
  return new ProofReader(({ path, typed }) =>
    given<Proofs>(api.POST("/api/sites/{site}/proofs", { params: { path: { site } }, body: { path, facts: typed } })),
  );
}

/** The proofs of a page with the words as typed; read again whenever the draft got a new revision. */
export function useProofs(site: string, path: string, typed: Record<string, unknown>, revision: number): ReaderState {
  const reader = useMemo(() => readerFor(site), [site]);
  useEffect(() => reader.want({ path, typed }), [reader, path, typed, revision]);
  return useSyncExternalStore(reader.subscribe, reader.snapshot);
}
