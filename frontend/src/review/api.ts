import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Changes = Schemas["ChangesOut"];
export type Published = Schemas["PublishedOut"];

export function useChanges(site: string) {
  return useQuery({
    queryKey: ["changes", site],
    queryFn: () => result<Changes>(api.GET("/api/sites/{site}/changes", { params: { path: { site } } })),
    staleTime: 0,
  });
}

/** Publishes the draft that was reviewed; if somebody changed it since, the server refuses. */
export function usePublish(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (revision: number) =>
      result<Published>(
        api.POST("/api/sites/{site}/editions", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
        }),
      ),
    onSettled: () => queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" }),
  });
}
