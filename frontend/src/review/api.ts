import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Change, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { useParts } from "./useParts";

export type Changes = Schemas["ChangesOut"];
export type Published = Schemas["PublishedOut"];
export type Timing = Schemas["Timing"];
export type Held = Schemas["HeldChange"];

/** What a change is known by when it is held back. */
export const heldChange = ({ kind, key }: Change): Held => ({ kind, key });

export function useChanges(site: string) {
  return useParts(["changes", site], (query) =>
    result<Changes>(api.GET("/api/sites/{site}/changes", { params: { path: { site }, query } })),
  );
}

export interface Publishing {
  revision: number;
  held: Held[];
}

/** Publishes the draft that was reviewed, but for what is held; if somebody changed it since, the server refuses. */
export function usePublish(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ revision, held }: Publishing) =>
      result<Published>(
        api.POST("/api/sites/{site}/editions", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
          body: { held_back: held },
        }),
      ),
    // Not waited for: what was published is said at once, and not after the review was read anew, which is empty then.
    onSettled: () => void queries.invalidateQueries(BUT_SESSION),
  });
}

/** What is to be published by itself, and when. */
export function useTiming(site: string) {
  return useQuery({
    queryKey: ["timed", site],
    queryFn: () => result<Timing>(api.GET("/api/sites/{site}/timed", { params: { path: { site } } })),
  });
}

/** Sets a time for what was reviewed. */
export function useSetTime(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: ({ revision, held, at }: Publishing & { at: string }) =>
      result<Timing>(
        api.PUT("/api/sites/{site}/timed", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
          body: { at, held_back: held },
        }),
      ),
    onSettled: () => queries.invalidateQueries(BUT_SESSION),
  });
}

export function useForgetTime(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<Timing>(api.DELETE("/api/sites/{site}/timed", { params: { path: { site } } })),
    onSettled: () => queries.invalidateQueries(BUT_SESSION),
  });
}
