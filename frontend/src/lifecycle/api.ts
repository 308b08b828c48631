import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas, type Site } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { send } from "../api/upload";
import { readStyle } from "../draft/api";
import { useStore } from "../draft/hooks";

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

export type Differences = Schemas["CopyOut"];
export type TakenIn = Schemas["TakenIn"];

/** What a site says otherwise than another one; asked for once another one is chosen. */
export function useDifferences(site: string, other: string) {
  return useQuery({
    queryKey: ["facts-of", site, other],
    queryFn: () =>
      result<Differences>(api.GET("/api/sites/{site}/facts-of/{other}", { params: { path: { site, other } } })),
    enabled: other !== "",
    staleTime: 0,
  });
}

export function useCopy(site: string, other: string) {
  const queries = useQueryClient();
  const store = useStore();
  return useMutation({
    mutationFn: async ({ keys, revision }: { keys: string[]; revision: number }) => {
      const before = store.facts.state.saved;
      const copied = await result<Differences>(
        api.POST("/api/sites/{site}/facts-of/{other}", {
          params: { path: { site, other } },
          headers: { "If-Match": String(revision) },
          body: { keys },
        }),
      );
      store.noted(before, await readStyle(site));
      return copied;
    },
    onSettled: () => queries.invalidateQueries(BUT_SESSION),
  });
}

/** Makes a site from a package. */
export function useTakeIn() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (file: File) => send<TakenIn>("/api/packages", file, () => undefined),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sites"] }),
  });
}

export type WhatIsCopied = Schemas["SiteCopyIn"]["what"];

/** Makes a site as a copy of another. */
export function useMakeCopy(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (given: { name: string; what: WhatIsCopied }) =>
      result<Site>(
        api.POST("/api/sites/{site}/copies", { params: { path: { site } }, body: { slug: "", label: "", ...given } }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["sites"] }),
  });
}
