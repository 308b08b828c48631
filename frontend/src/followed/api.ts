import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { readStyle } from "../draft/api";
import { useStore } from "../draft/hooks";

export type Followed = Schemas["FollowedOut"];

/** The bundles in which a site follows another one, with what is proposed of them. */
export function useFollowed(site: string) {
  return useQuery({
    queryKey: ["followed", site],
    queryFn: () => result<Followed[]>(api.GET("/api/sites/{site}/followed", { params: { path: { site } } })),
  });
}

/** Takes a proposal over, as one step that can be undone, or leaves it. */
export function useSettle(site: string) {
  const queries = useQueryClient();
  const store = useStore();
  return useMutation({
    mutationFn: async ({ number, take }: { number: number; take: boolean }) => {
      await store.flush();
      const before = store.facts.state.saved;
      await result(
        api.POST("/api/sites/{site}/followed/{number}", {
          params: { path: { site, number } },
          headers: { "If-Match": String(store.facts.state.meta.revision) },
          body: { take },
        }),
      );
      if (take) store.noted(before, await readStyle(site));
    },
    onSettled: () => queries.invalidateQueries(BUT_SESSION),
  });
}

export function useFollowNoMore(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (number: number) =>
      result<undefined>(api.DELETE("/api/sites/{site}/followed/{number}", { params: { path: { site, number } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["followed", site] }),
  });
}
