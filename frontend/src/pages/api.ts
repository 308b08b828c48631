import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Page, type PageFull, type Schemas } from "../api/client";
import type { Schedule } from "./schedule";

export function usePages(site: string) {
  return useQuery({
    queryKey: ["pages", site],
    queryFn: () => result<Page[]>(api.GET("/api/sites/{site}/pages", { params: { path: { site } } })),
  });
}

/** One page with its text; others may be at work on it, so it is looked at again. */
export function usePage(site: string, page: number) {
  return useQuery({
    queryKey: ["page", site, page],
    queryFn: () => result<PageFull>(api.GET("/api/sites/{site}/pages/{page}", { params: { path: { site, page } } })),
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
