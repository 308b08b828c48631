import { keepPreviousData, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type PageFull, type Schemas } from "../api/client";
import type { paths } from "../api/schema";
import { useStore } from "../draft/hooks";
import type { Schedule } from "./schedule";

type TreeQuery = NonNullable<paths["/api/sites/{site}/tree"]["get"]["parameters"]["query"]>;
type PageWindow = Schemas["PageWindowOut"];

function fetchTree(site: string, query: TreeQuery): Promise<PageWindow> {
  return result<PageWindow>(api.GET("/api/sites/{site}/tree", { params: { path: { site }, query } }));
}

/** A browser lays out some hundred rows at once without a pause; more are asked for. */
export const STEP = 200;

/** The list of pages, as much of it as was asked for: from its start, or from around the page that an address names. */
export function usePageList(site: string, sought: string, around: number | null) {
  const begin: TreeQuery = around && !sought ? { around } : { start: 0 };
  return useInfiniteQuery({
    queryKey: ["pages", site, "list", sought, around],
    queryFn: ({ pageParam }) => fetchTree(site, { ...pageParam, sought, count: STEP }),
    initialPageParam: begin,
    getNextPageParam: ({ start, rows, count }): TreeQuery | undefined =>
      rows.length > 0 && start + rows.length < count ? { start: start + rows.length } : undefined,
    getPreviousPageParam: ({ start }): TreeQuery | undefined =>
      start > 0 ? { start: Math.max(0, start - STEP) } : undefined,
    placeholderData: keepPreviousData,
  });
}

/** Pages to choose from: the first ones, or those that have words in their title or address. */
export function usePageChoices(site: string, sought = "", only: "parents" | "all" = "all", enabled = true) {
  return useQuery({
    queryKey: ["pages", site, "choices", sought, only],
    queryFn: () => fetchTree(site, { sought, count: STEP, parents_only: only === "parents" }),
    placeholderData: keepPreviousData,
    enabled,
  });
}

/** The pages that have words in their title, address or text; none before any are sought. */
export function useFoundInTexts(site: string, sought: string) {
  return useQuery({
    queryKey: ["pages", site, "texts", sought],
    queryFn: () => fetchTree(site, { sought, count: 20, in_texts: true }),
    placeholderData: keepPreviousData,
    enabled: sought.length > 1,
  });
}

/** The pages that leave out something that all others show. */
export function usePagesLeavingOut(site: string) {
  return useQuery({
    queryKey: ["pages", site, "leaving out"],
    queryFn: () => fetchTree(site, { leaving_out: true, count: STEP }),
  });
}

export function fetchPage(site: string, page: number): Promise<PageFull> {
  return result<PageFull>(api.GET("/api/sites/{site}/pages/{page}", { params: { path: { site, page } } }));
}

/** One page with its text; others may be at work on it, so it is looked at again. */
export function usePage(site: string, page: number) {
  return useQuery({
    queryKey: ["page", site, page],
    queryFn: () => fetchPage(site, page),
    refetchInterval: 8_000,
    staleTime: 0,
  });
}

/** What is amiss with a schedule, and the next dates that it yields. */
export function useCheckedEvent(site: string, schedule: Schedule) {
  return useQuery({
    queryKey: ["event", site, schedule],
    queryFn: () =>
      result<Schemas["EventOut"]>(
        api.POST("/api/sites/{site}/events/check", { params: { path: { site } }, body: { schedule } }),
      ),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  }).data;
}

export function usePlanEvent(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["NewEvent"]) =>
      result<PageFull>(api.POST("/api/sites/{site}/events", { params: { path: { site } }, body })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["pages", site] }),
        queries.invalidateQueries({ queryKey: ["style", site] }),
      ]),
  });
}

const at = (site: string, page: number) => ({ params: { path: { site, page } } });

/** Reads anew what a change to the tree alters: the list, each page, and how much the draft differs. */
export function useReadAnew(site: string) {
  const queries = useQueryClient();
  return () =>
    Promise.all(
      ["pages", "removed", "style", "page"].map((key) => queries.invalidateQueries({ queryKey: [key, site] })),
    );
}

/** A change to the tree. */
function useTreeChange<G, R>(site: string, call: (given: G) => Promise<R>) {
  return useMutation({ mutationFn: call, onSuccess: useReadAnew(site) });
}

type Moved = Schemas["PageMove"] | Schemas["PageStep"] | Schemas["PageDrop"];

/** Moving a page, as a step that can be undone. */
export function useMove(site: string) {
  const store = useStore();
  const move = useTreeChange(site, ({ page, to }: { page: number; to: Moved }) =>
    result<Schemas["MovedOut"]>(api.POST("/api/sites/{site}/pages/{page}/move", { ...at(site, page), body: to })),
  );
  const mutate = (page: number, to: Moved) => {
    move.mutate(
      { page, to },
      {
        onSuccess: ({ before, after }) => {
          const go = (place: Moved) => async () => {
            await move.mutateAsync({ page, to: place });
          };
          store.did({ undo: go(before), redo: go(after) });
        },
      },
    );
  };
  return { mutate, error: move.error, isPending: move.isPending };
}

type Act = paths["/api/sites/{site}/pages/several"]["post"]["requestBody"]["content"]["application/json"];

function useSendAct(site: string) {
  return async (body: Act): Promise<Act | null> => {
    const path = { params: { path: { site } } };
    return (await result<Schemas["UndoOut"]>(api.POST("/api/sites/{site}/pages/several", { ...path, body }))).undo;
  };
}

/** Keeps as one step what was done, with the acts that take it back and do it again; each gives the other one. */
function useActStep(site: string) {
  const store = useStore();
  const read = useReadAnew(site);
  const send = useSendAct(site);
  return (undo: Act) => {
    let next: Act | null = undo;
    const turn = async () => {
      if (next) next = await send(next);
      await read();
    };
    store.did({ undo: turn, redo: turn });
  };
}

/** One act on several pages, as one step that can be undone. */
export function useSeveral(site: string) {
  const send = useSendAct(site);
  const keep = useActStep(site);
  return useTreeChange(site, async (act: Act) => {
    const undo = await send(act);
    if (undo) keep(undo);
  });
}

/** Pages from their titles, one a line, as one step that can be undone. */
export function useAddSeveral(site: string) {
  const keep = useActStep(site);
  return useTreeChange(site, async (body: Schemas["NewPages"]) => {
    const path = { params: { path: { site } } };
    const made = await result<Schemas["NamedPage"][]>(
      api.POST("/api/sites/{site}/new-pages/several", { ...path, body }),
    );
    keep({ act: "delete", pages: made.map(({ id }) => id) });
    return made;
  });
}

export function useMakeHome(site: string) {
  return useTreeChange(site, (page: number) =>
    result<undefined>(api.POST("/api/sites/{site}/pages/{page}/home", at(site, page))),
  );
}

export function useMakeNotFound(site: string) {
  return useTreeChange(site, ({ page, on }: { page: number; on: boolean }) =>
    result<undefined>(api.POST("/api/sites/{site}/pages/{page}/not-found", { ...at(site, page), body: { on } })),
  );
}

export function useDuplicate(site: string) {
  return useTreeChange(site, (page: number) =>
    result<PageFull>(api.POST("/api/sites/{site}/pages/{page}/duplicate", at(site, page))),
  );
}

type Removed = Schemas["RemovedOut"];

function fetchRemoved(site: string): Promise<Removed[]> {
  return result<Removed[]>(api.GET("/api/sites/{site}/removed-pages", { params: { path: { site } } }));
}

function restore(site: string, removed: number): Promise<PageFull> {
  return result<PageFull>(
    api.POST("/api/sites/{site}/removed-pages/{removed}/restore", { params: { path: { site, removed } } }),
  );
}

/** What stands below a page; asked for if that is `wanted`. */
export function useBelow(site: string, page: number, wanted: boolean) {
  return useQuery({
    queryKey: ["page", site, page, "below"],
    queryFn: () => result<Schemas["NamedPage"][]>(api.GET("/api/sites/{site}/pages/{page}/below", at(site, page))),
    enabled: wanted,
    staleTime: 0,
  });
}

export function useRemovedPages(site: string) {
  return useQuery({
    queryKey: ["removed", site],
    queryFn: () => fetchRemoved(site),
  });
}

export function useBringBack(site: string) {
  return useTreeChange(site, (removed: number) => restore(site, removed));
}

/** The address of the draft's private preview, good for a day. */
export function usePreview(site: string) {
  return useQuery({
    queryKey: ["preview", site],
    queryFn: () => result<Schemas["PreviewOut"]>(api.GET("/api/sites/{site}/preview", { params: { path: { site } } })),
    select: ({ address }) => address,
    staleTime: 3_600_000,
  });
}
