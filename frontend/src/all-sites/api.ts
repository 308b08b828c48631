import { useMutation, useQueries, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";

export type SiteState = Schemas["SiteStateOut"];
export type Bundle = Schemas["Bundle"];
export type Outcome = Schemas["OutcomeOut"];
export type Done = Schemas["DoneOnSite"];
type Changes = Schemas["ChangesOut"];

/** As many changes of a site are listed; the rest is counted. */
const LISTED = 50;
export function useSiteStates() {
  return useQuery({
    queryKey: ["several-sites"],
    queryFn: () => result<SiteState[]>(api.GET("/api/several-sites")),
  });
}

/** What each of some sites would publish. */
export function useReviews(slugs: readonly string[]) {
  return useQueries({
    queries: slugs.map((site) => ({
      queryKey: ["changes", site, "round"],
      queryFn: () =>
        result<Changes>(
          api.GET("/api/sites/{site}/changes", { params: { path: { site }, query: { start: 0, count: LISTED } } }),
        ),
      staleTime: 0,
    })),
  });
}

/** An act on the drafts of several sites. Whatever it came to, all that is known of sites is read anew. */
function useAct<G, R>(call: (given: G) => Promise<R>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: call, onSettled: () => queries.invalidateQueries(BUT_SESSION) });
}

export function useSay() {
  return useAct(
    async (body: Schemas["FactsForSites"]) =>
      (await result<Schemas["DoneOut"]>(api.POST("/api/several-sites/say", { body }))).done,
  );
}

export function useGive() {
  return useAct(
    async (body: Schemas["BundlesForSites"]) =>
      (await result<Schemas["DoneOut"]>(api.POST("/api/several-sites/give", { body }))).done,
  );
}

export function useTakeBack() {
  return useAct(
    async (done: Done[]) =>
      (await result<Schemas["DoneOut"]>(api.POST("/api/several-sites/take-back", { body: { done } }))).done,
  );
}

export function usePublishSeveral() {
  return useAct((sites: Schemas["Reviewed"][]) =>
    result<Outcome[]>(api.POST("/api/several-sites/publish", { body: { sites } })),
  );
}

/** Sweeps sites to their end, one after the other. */
export function useSweepSeveral() {
  return useAct(async (slugs: readonly string[]) => {
    for (const site of slugs) {
      for (let left = Infinity; left > 0;) {
        const { done, total } = await result<Schemas["SweepProgress"]>(
          api.POST("/api/sites/{site}/sweep/step", { params: { path: { site } } }),
        );
        left = total - done;
      }
    }
  });
}
