import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { useStore } from "../draft/hooks";
import type { DraftStore } from "../draft/store";
import { merged, tableOf } from "../draft/titles";

type Part = Schemas["TitlesOut"];
export type Proposal = Schemas["TitleProposal"];
type FaultKind = Schemas["FaultCount"]["kind"];

/** Which rows are looked at: those with words, and with a fault. */
export interface Wanted {
  sought: string;
  fault: FaultKind | "";
}

/** Rows by their numbers, the last one among them. */
export interface Span {
  first: number;
  last: number;
}

/** Rows come in blocks, each asked for when one of it comes into sight, or is worked on. */
const BLOCK = 100;
const OFTEN = 8_000;
const SOON = 50;

async function readBlock(site: string, store: DraftStore, wanted: Wanted, block: number) {
  const { sought, fault } = wanted;
  const query = { start: block * BLOCK, count: BLOCK, sought, ...(fault && { fault }) };
  const part = await result<Part>(api.GET("/api/sites/{site}/titles", { params: { path: { site }, query } }));
  const open = store.titles?.state;
  store.openTitles(open ? merged(open.meta, part, Object.keys(open.typed)) : tableOf(part));
  return { count: part.count, isWhole: part.is_whole, pages: part.rows.map((row) => row.id) };
}

/** Asks again when others, or a write, may have changed something; at once while titles are still looked over. */
const again = ({ state }: { state: { data?: { isWhole: boolean } | undefined } }) =>
  state.data && !state.data.isWhole ? SOON : OFTEN;

/** The rows of a view of the table: how many there are, and the page of each that was read. */
export function useRows(site: string, wanted: Wanted, spans: readonly Span[]) {
  const store = useStore();
  const block = (number: number) => ({
    queryKey: ["titles", site, wanted.sought, wanted.fault, number],
    queryFn: () => readBlock(site, store, wanted, number),
    staleTime: 0,
  });
  const first = useQuery({ ...block(0), refetchInterval: again, placeholderData: keepPreviousData });
  const numbers = new Set(
    spans.flatMap((span) => {
      const [from, to] = [Math.floor(span.first / BLOCK), Math.floor(span.last / BLOCK)];
      return Array.from({ length: Math.max(0, to - from + 1) }, (_, index) => from + index);
    }),
  );
  numbers.delete(0);
  const further = useQueries({
    queries: [...numbers].map((number) => ({ ...block(number), refetchInterval: OFTEN })),
  });
  const blocks = new Map([...numbers].map((number, index) => [number, further[index]?.data?.pages]));
  blocks.set(0, first.data?.pages);
  return {
    count: first.data?.count,
    error: first.error ?? further.find(({ error }) => error)?.error ?? null,
    refetch: first.refetch,
    pageAt: (row: number) => blocks.get(Math.floor(row / BLOCK))?.[row % BLOCK],
  };
}

export function askReplace(site: string, body: Schemas["ReplaceIn"]) {
  return result<Proposal>(api.POST("/api/sites/{site}/titles/replace", { params: { path: { site } }, body }));
}

export function askMends(site: string, body: Schemas["MendIn"]) {
  return result<Proposal>(api.POST("/api/sites/{site}/titles/mends", { params: { path: { site } }, body }));
}

export function askCsv(site: string, text: string) {
  return result<Proposal>(api.POST("/api/sites/{site}/titles/csv", { params: { path: { site } }, body: { text } }));
}
