import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, result, type Schemas } from "../api/client";
import { useSteps } from "../api/steps";
import { useSelect, useStore } from "../draft/hooks";
import { useReadAnew } from "../pages";
import { useSettled } from "../ui/useSettled";

export type Sweep = Schemas["SweepOut"];
export type Stray = Schemas["StrayOut"];
export type Meant = Schemas["MeantOut"];
type Progress = Schemas["SweepProgress"];
type Mended = Schemas["MendedOut"];
type Words = Schemas["WordsIn"];

const at = (site: string) => ({ params: { path: { site } } });

/** The draft's number of writes, when the typing rests. */
function useRevision(): number {
  return useSettled(
    useSelect(({ facts }) => facts.state.meta.revision),
    1_200,
  );
}

export interface Sweeping {
  progress: Progress | null;
  error: Error | null;
  isStopped: boolean;
  stop: () => void;
  goOn: () => void;
  /** After an error. */
  again: () => void;
}

/** Sweeps page after page until all are looked at; it ends when it is stopped or the view is left. */
export function useSweeping(site: string): Sweeping & { done: number } {
  const revision = useRevision();
  const [progress, setProgress] = useState<Progress | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const [isStopped, setStopped] = useState(false);
  const [done, setDone] = useState(0);
  const [tries, setTries] = useState(0);
  useSteps<Progress>(isStopped ? "" : `${site} ${String(revision)} ${String(tries)}`, {
    step: () => result<Progress>(api.POST("/api/sites/{site}/sweep/step", at(site))),
    onStep: (now) => {
      setProgress(now);
      setError(null);
    },
    onEnd: () => setDone((count) => count + 1),
    onFailed: setError,
  });
  return {
    progress,
    error,
    isStopped,
    done,
    stop: () => setStopped(true),
    goOn: () => setStopped(false),
    again: () => {
      setError(null);
      setTries((count) => count + 1);
    },
  };
}

export function fetchSweep(site: string): Promise<Sweep> {
  return result<Sweep>(api.GET("/api/sites/{site}/sweep", at(site)));
}

/** All strays, once every page is looked at. */
export function useSweep(site: string, done: number) {
  return useQuery({
    queryKey: ["sweep", site, done],
    queryFn: () => fetchSweep(site),
    enabled: done > 0,
    placeholderData: (before) => before,
  });
}

/** The strays of a published edition; they are only looked at. */
export function useEditionSweep(site: string, edition: number | null) {
  return useQuery({
    queryKey: ["sweep edition", site, edition],
    queryFn: () =>
      result<Sweep>(
        api.GET("/api/sites/{site}/sweep", {
          params: { path: { site }, query: edition === null ? {} : { edition } },
        }),
      ),
    enabled: edition !== null,
    staleTime: Infinity,
  });
}

interface MendGiven {
  revision: number;
  strays: { id: string; reading?: number }[];
}

/** Mends strays in the draft, as one step that can be undone. */
export function useMend(site: string) {
  const store = useStore();
  const readAnew = useReadAnew(site);
  const queries = useQueryClient();
  const after = () => Promise.all([readAnew(), queries.invalidateQueries({ queryKey: ["titles", site] })]);
  const put = (body: Words) => async () => {
    await result<Progress>(api.POST("/api/sites/{site}/sweep/words", { ...at(site), body }));
    await after();
  };
  return useMutation({
    mutationFn: async ({ revision, strays }: MendGiven) => {
      await store.flush();
      const now = Math.max(revision, store.facts.state.meta.revision);
      return result<Mended>(
        api.POST("/api/sites/{site}/sweep/mend", {
          ...at(site),
          headers: { "If-Match": String(now) },
          body: { strays },
        }),
      );
    },
    onSuccess: async (mended) => {
      store.did({
        undo: put({ pages: mended.pages_before, facts: mended.facts_before }),
        redo: put({ pages: mended.pages_after, facts: mended.facts_after }),
      });
      await after();
    },
  });
}

/** Says that a stray is meant, or lets it speak again. */
export function useMeant(site: string) {
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["sweep", site] });
  const one = (stray: string) => ({ params: { path: { site, stray } } });
  const keep = useMutation({
    mutationFn: ({ id, reason }: { id: string; reason: string }) =>
      result<Meant>(api.PUT("/api/sites/{site}/sweep/meant/{stray}", { ...one(id), body: { reason } })),
    onSuccess: again,
  });
  const drop = useMutation({
    mutationFn: (id: string) => result<undefined>(api.DELETE("/api/sites/{site}/sweep/meant/{stray}", one(id))),
    onSuccess: again,
  });
  return { keep, drop };
}
