import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Page, type PageFull, type Schemas } from "../api/client";
import { useStore } from "../draft/hooks";
import { placeOf, type Move } from "./moves";
import type { Schedule } from "./schedule";

export function usePages(site: string) {
  return useQuery({
    queryKey: ["pages", site],
    queryFn: () => result<Page[]>(api.GET("/api/sites/{site}/pages", { params: { path: { site } } })),
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

export function useAddPage(site: string) {
  return useTreeChange(site, (body: Schemas["NewPage"]) =>
    result<PageFull>(api.POST("/api/sites/{site}/new-pages", { params: { path: { site } }, body })),
  );
}

interface Moved extends Move {
  page: number;
}

/** Moving a page, as a step that can be undone. */
export function useMove(site: string) {
  const store = useStore();
  const queries = useQueryClient();
  const move = useTreeChange(site, ({ page, ...body }: Moved) =>
    result<Page[]>(api.POST("/api/sites/{site}/pages/{page}/move", { ...at(site, page), body })),
  );
  const mutate = (to: Moved) => {
    const pages = queries.getQueryData<Page[]>(["pages", site]) ?? [];
    const page = pages.find((one) => one.id === to.page);
    const from = page && { page: page.id, ...placeOf(pages, page) };
    move.mutate(to, {
      onSuccess: () => {
        if (!from) return;
        const go = (place: Moved) => async () => {
          await move.mutateAsync(place);
        };
        store.did({ undo: go(from), redo: go(to) });
      },
    });
  };
  return { mutate, error: move.error, isPending: move.isPending };
}

export function useMakeHome(site: string) {
  return useTreeChange(site, (page: number) =>
    result<Page[]>(api.POST("/api/sites/{site}/pages/{page}/home", at(site, page))),
  );
}

export function useMakeNotFound(site: string) {
  return useTreeChange(site, ({ page, on }: { page: number; on: boolean }) =>
    result<Page[]>(api.POST("/api/sites/{site}/pages/{page}/not-found", { ...at(site, page), body: { on } })),
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

/** Deleting a page with all below it, as a step that can be undone. */
export function useDeletePage(site: string) {
  const store = useStore();
  const read = useReadAnew(site);
  const remove = async (page: number) => {
    const before = new Set((await fetchRemoved(site)).map((one) => one.id));
    await result<undefined>(api.DELETE("/api/sites/{site}/pages/{page}", at(site, page)));
    // The page itself was taken out last, so it comes back first, and those below it find it there.
    return (await fetchRemoved(site)).filter((one) => !before.has(one.id)).map((one) => one.id);
  };
  return useTreeChange(site, async (page: number) => {
    let gone = await remove(page);
    store.did({
      undo: async () => {
        for (const one of gone) await restore(site, one);
        await read();
      },
      redo: async () => {
        gone = await remove(page);
        await read();
      },
    });
  });
}

export function useBelow(site: string, page: number) {
  return useQuery({
    queryKey: ["page", site, page, "below"],
    queryFn: () => result<Schemas["NamedPage"][]>(api.GET("/api/sites/{site}/pages/{page}/below", at(site, page))),
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
