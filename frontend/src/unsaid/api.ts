import { useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Unsaid = Schemas["UnsaidOut"];

/** What the site still has to say; asked again whenever the draft was written. */
export function useUnsaid(site: string, revision: number) {
  return useQuery({
    queryKey: ["unsaid", site, revision],
    queryFn: () => result<Unsaid[]>(api.GET("/api/sites/{site}/unsaid", { params: { path: { site } } })),
    placeholderData: (before) => before,
  });
}
