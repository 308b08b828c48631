import { useQuery } from "@tanstack/react-query";
import { api, result, type Page, type PageFull } from "../api/client";

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
