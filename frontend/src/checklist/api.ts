import { useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type ChecklistItem = Schemas["ChecklistItemOut"];

/** What the site still has to say; asked again whenever the draft was written. */
export function useChecklist(site: string, revision: number) {
  return useQuery({
    queryKey: ["checklist", site, revision],
    queryFn: () => result<ChecklistItem[]>(api.GET("/api/sites/{site}/unsaid", { params: { path: { site } } })),
    placeholderData: (before) => before,
  });
}
