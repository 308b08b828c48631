import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Language, type Schemas, type Site, type Town } from "../api/client";

export function useSites() {
  return useQuery({ queryKey: ["sites"], queryFn: () => result<Site[]>(api.GET("/api/sites")) });
}

export function useMakeSite() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: Schemas["NewSite"]) => result<Site>(api.POST("/api/sites", { body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sites"] }),
  });
}

export function useSetLabel(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (label: string) =>
      result<Site>(api.PATCH("/api/sites/{site}", { params: { path: { site } }, body: { label } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sites"] }),
  });
}

export function useTowns(typed: string) {
  return useQuery({
    queryKey: ["towns", typed],
    queryFn: () => result<Town[]>(api.GET("/api/towns", { params: { query: { q: typed } } })),
    enabled: typed.trim().length > 1,
    staleTime: Infinity,
  });
}

export function useLanguages(typed: string) {
  return useQuery({
    queryKey: ["languages", typed],
    queryFn: () => result<Language[]>(api.GET("/api/languages", { params: { query: { q: typed } } })),
    enabled: typed.trim().length > 1,
    staleTime: Infinity,
  });
}

/** What a clock says now, and when it is put forward or back next. */
export function useClock(zone: string) {
  return useQuery({
    queryKey: ["clock", zone],
    queryFn: () => result<Schemas["ClockOut"]>(api.GET("/api/clock", { params: { query: { zone } } })),
    staleTime: 600_000,
  });
}
