import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Passages = Schemas["PassagesOut"];
export type Choice = NonNullable<Schemas["MergeIn"]["choices"]>[number];
type Merged = Schemas["MergedOut"];
type Texts = Pick<Schemas["MergeIn"], "base" | "mine" | "theirs">;

const at = (site: string, page: number) => ({ params: { path: { site, page } } });

function fetchPassages(site: string, page: number, given: Schemas["PassagesIn"]): Promise<Passages> {
  return result<Passages>(api.POST("/api/sites/{site}/pages/{page}/passages", { ...at(site, page), body: given }));
}

/** A page with a text beside what is live of it; `revision` is the draft's, of which its other lines are. */
export function usePassages(site: string, page: number, body: string, revision: number) {
  return useQuery({
    queryKey: ["page", site, page, "passages", revision, body],
    queryFn: () => fetchPassages(site, page, { body }),
    placeholderData: keepPreviousData,
  });
}

/** Gives the text with one passage as it is live. */
export function usePutBack(site: string, page: number) {
  return useMutation({
    mutationFn: async (given: { body: string; back: number }) => (await fetchPassages(site, page, given)).body,
  });
}

function merge(site: string, page: number, given: Texts & { choices: Choice[] }): Promise<Merged> {
  return result<Merged>(api.POST("/api/sites/{site}/pages/{page}/merge", { ...at(site, page), body: given }));
}

/** Two people's changes of a text brought together; none before there are two. */
export function useMerged(site: string, page: number, texts: Texts | null) {
  return useQuery({
    queryKey: ["page", site, page, "merged", texts],
    queryFn: () => merge(site, page, { ...(texts ?? { base: "", mine: "", theirs: "" }), choices: [] }),
    enabled: texts !== null,
    gcTime: 0,
  });
}

/** Brings them together with a choice for each clash. */
export function useMergeWith(site: string, page: number) {
  return useMutation({ mutationFn: (given: Texts & { choices: Choice[] }) => merge(site, page, given) });
}
