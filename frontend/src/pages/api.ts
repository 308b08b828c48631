import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Page, type PageFull, type Schemas } from "../api/client";
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

/** A change to the tree: the list, and how much the draft differs, are read anew. */
function useTreeChange<G, R>(site: string, call: (given: G) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: () =>
      Promise.all(
        ["pages", "removed", "style", "page"].map((key) => queries.invalidateQueries({ queryKey: [key, site] })),
      ),
  });
}

export function useAddPage(site: string) {
  return useTreeChange(site, (body: Schemas["NewPage"]) =>
    result<PageFull>(api.POST("/api/sites/{site}/new-pages", { params: { path: { site } }, body })),
  );
}

export function useMove(site: string) {
  return useTreeChange(site, ({ page, ...body }: { page: number; parent: number | null; index: number }) =>
    result<Page[]>(api.POST("/api/sites/{site}/pages/{page}/move", { ...at(site, page), body })),
  );
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

export function useDeletePage(site: string) {
  return useTreeChange(site, (page: number) =>
    result<undefined>(api.DELETE("/api/sites/{site}/pages/{page}", at(site, page))),
  );
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
    queryFn: () =>
      result<Schemas["RemovedOut"][]>(api.GET("/api/sites/{site}/removed-pages", { params: { path: { site } } })),
  });
}

export function useBringBack(site: string) {
  return useTreeChange(site, (removed: number) =>
    result<PageFull>(
      api.POST("/api/sites/{site}/removed-pages/{removed}/restore", { params: { path: { site, removed } } }),
    ),
  );
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
