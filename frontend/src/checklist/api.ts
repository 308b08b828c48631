import { useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type ChecklistItem = Schemas["ChecklistItemOut"];

/** What the site still has to say; asked again whenever the draft was written. */
export function useChecklist(site: string, revision: number) {
  return useQuery({
    queryKey: ["checklist", site, revision],
    queryFn: () => result<Schemas["ChecklistOut"]>(api.GET("/api/sites/{site}/unsaid", { params: { path: { site } } })),
    // Of very many pages some are looked over with each call.
    refetchInterval: ({ state }) => (state.data && !state.data.is_whole ? 500 : false),
    placeholderData: (before) => before,
  });
}
