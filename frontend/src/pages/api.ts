import { useQuery } from "@tanstack/react-query";
import { api, given, type Page } from "../api/client";

export function usePages(site: string) {
  return useQuery({
    queryKey: ["pages", site],
    queryFn: () => given<Page[]>(api.GET("/api/sites/{site}/pages", { params: { path: { site } } })),
  });
}
