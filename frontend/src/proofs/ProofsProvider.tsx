import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useSyncExternalStore,
  type ReactNode,
  type RefObject,
} from "react";
import { api, patience, result, type Proofs, type Reach } from "../api/client";
import { useSelect } from "../draft/hooks";
import type { Row } from "../draft/facts";
import { useNear } from "../ui/useNear";
import { ProofReader, type ReaderState } from "./reader";

const Context = createContext<ProofReader | null>(null);

function readerFor(site: string, edition: number | null): ProofReader {
  const at = { params: { path: { site } } };
  return new ProofReader({
    proofs: ({ path, at: moment, typed, places }) =>
      result<Proofs>(
        api.POST("/api/sites/{site}/proofs", {
          ...at,
          body: { path, at: moment, facts: edition === null ? typed : {}, places, edition },
          signal: patience(),
        }),
      ),
    reach: ({ keys, typed }) =>
      result<Record<string, Reach>>(
        api.POST("/api/sites/{site}/reach", { ...at, body: { keys, facts: typed }, signal: patience() }),
      ),
  });
}

const NONE: readonly string[] = [];

interface Props {
  site: string;
  path: string;
  at: string;
  /** The number of a published edition to read instead of the draft. */
  edition?: number | null;
  /** Facts that are looked at with the value that the live edition has. */
  held?: readonly string[];
  /** A language (BCP 47) that the draft is looked at in, instead of its own. */
  language?: string;
  children: ReactNode;
}

/** Reads the proofs of a page with the words as typed, again whenever the draft changes, for whatever is in view. */
export function ProofsProvider({ site, path, at, edition = null, held = NONE, language = "", children }: Props) {
  const reader = useMemo(() => readerFor(site, edition), [site, edition]);
  const { typed, revision, live } = useSelect((store) => ({
    typed: store.facts.state.typed,
    revision: store.facts.revision,
    live: store.facts.state.meta.live_facts,
  }));
  useEffect(() => {
    const before: Record<string, unknown> = live ?? {};
    const kept = Object.fromEntries(held.map((key) => [key, before[key]]));
    const said = language ? { language } : {};
    reader.want(path, at, held.length || language ? { ...typed, ...kept, ...said } : typed, revision);
  }, [reader, path, at, typed, revision, held, live, language]);
  return <Context value={reader}>{children}</Context>;
}

function useReader(): ProofReader {
  const reader = useContext(Context);
  if (!reader) throw new Error("`useProofs` must be used within `ProofsProvider`");
  return reader;
}

/** Something of what was read. The component renders anew only when that something is another one. */
export function useProofs<T>(select: (state: ReaderState) => T): T {
  const reader = useReader();
  return useSyncExternalStore(reader.subscribe, () => select(reader.snapshot()));
}

/** Has the proofs and the reach of a row read while it is in view. */
export function useInView(row: Row, element: RefObject<HTMLElement | null>): void {
  const reader = useReader();
  const near = useNear(element);
  useEffect(() => {
    if (!near) return;
    const places = row.slots.map(({ place, home }) => ({ place, home: home ?? false }));
    return reader.view(row.key, { places, keys: [row.key] });
  }, [reader, row, near]);
}

/** Has further places of a fact read while they are shown. */
export function useMorePlaces(
  id: string,
  places: ReaderState["proofs"][string]["place"][],
  shown: boolean,
  keys: string[] = [],
): void {
  const reader = useReader();
  const asked = places.join(" ");
  const told = keys.join(" ");
  useEffect(() => {
    if (!shown) return;
    const wanted = asked.split(" ").filter(Boolean) as typeof places;
    return reader.view(`${id} more`, {
      places: wanted.map((place) => ({ place, home: false })),
      keys: told.split(" ").filter(Boolean),
    });
  }, [reader, id, asked, shown, told]);
}
