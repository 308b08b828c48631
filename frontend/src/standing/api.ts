import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Closed = Schemas["ClosedOut"];
export type DeletedSite = Schemas["DeletedSite"];

export function useClosed(site: string) {
  return useQuery({
    queryKey: ["closed", site],
    queryFn: () => result<Closed>(api.GET("/api/sites/{site}/closed", { params: { path: { site } } })),
  });
}

/** Closes the site, until a time on its clock or until somebody opens it; opens it where nothing is given. */
export function useClose(site: string) {
  const queries = useQueryClient();
  const params = { path: { site } };
  return useMutation({
    mutationFn: (until: string | null) =>
      result<Closed>(
        until === null
          ? api.DELETE("/api/sites/{site}/closed", { params })
          : api.PUT("/api/sites/{site}/closed", { params, body: { until } }),
      ),
    onSettled: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["closed", site] }),
        queries.invalidateQueries({ queryKey: ["sites"] }),
      ]),
  });
}

export function useDeleteSite(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<undefined>(api.DELETE("/api/sites/{site}", { params: { path: { site } } })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["sites"] }),
        queries.invalidateQueries({ queryKey: ["deleted-sites"] }),
      ]),
  });
}

export function useDeletedSites() {
  return useQuery({
    queryKey: ["deleted-sites"],
    queryFn: () => result<DeletedSite[]>(api.GET("/api/deleted-sites")),
  });
}

export function useBringSiteBack() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (site: string) =>
      result<undefined>(api.POST("/api/deleted-sites/{site}/restore", { params: { path: { site } } })),
    onSuccess: () =>
      Promise.all([
        queries.invalidateQueries({ queryKey: ["sites"] }),
        queries.invalidateQueries({ queryKey: ["deleted-sites"] }),
      ]),
  });
}
