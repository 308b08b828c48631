import { useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { useStore } from "../draft/hooks";
import type { DraftStore } from "../draft/store";
import { merged, tableOf } from "../draft/titles";

type Part = Schemas["TitlesOut"];
export type Proposal = Schemas["TitleProposal"];
/** As many rows as a tall window shows come first; the others while those are looked at. */
const FIRST = 100;
const FURTHER = 2_500;

const part = (site: string, start: number, count: number) =>
  result<Part>(api.GET("/api/sites/{site}/titles", { params: { path: { site }, query: { start, count } } }));

/** Reads the table into the draft store, its first rows first; nothing more where nothing was written since. */
async function readTable(site: string, store: DraftStore): Promise<number> {
  const known = store.titles;
  const first = await part(site, 0, known ? 1 : FIRST);
  if (known?.state.meta.revision === first.revision && known.state.meta.order.length === first.count)
    return first.revision;
  let table = tableOf(first);
  if (!known) store.openTitles(table);
  for (let start = first.rows.length; start < first.count; start += FURTHER) {
    const next = await part(site, start, FURTHER);
    // Somebody wrote meanwhile: what is there is shown, and all is read again at the next turn.
    if (next.revision !== first.revision) return first.revision;
    table = merged(table, next, true);
    if (!known) store.openTitles(table);
  }
  store.openTitles(table);
  return first.revision;
}

/** The table, read again when others, or a write, may have changed it. */
export function useTable(site: string) {
  const store = useStore();
  return useQuery({
    queryKey: ["titles", site],
    queryFn: () => readTable(site, store),
    refetchInterval: 8_000,
    staleTime: 0,
  });
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
