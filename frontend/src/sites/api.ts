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

/** Towns by their names, those of one country where one is chosen. */
export function useTowns(typed: string, country: string) {
  const query = { q: typed, country };
  return useQuery({
    queryKey: ["towns", typed, country],
    queryFn: () => result<Town[]>(api.GET("/api/towns", { params: { query } })),
    enabled: typed.trim().length > 1 || country !== "",
    staleTime: 60_000,
  });
}

/** The countries that have towns, fetched once they are asked for. */
export function useCountries(asked: boolean) {
  return useQuery({
    queryKey: ["countries"],
    queryFn: () => result<Schemas["CountryOut"][]>(api.GET("/api/countries")),
    enabled: asked,
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
export function useClock(zone: string, language: string) {
  return useQuery({
    queryKey: ["clock", zone, language],
    queryFn: () => result<Schemas["ClockOut"]>(api.GET("/api/clock", { params: { query: { zone, language } } })),
    staleTime: 600_000,
  });
}
