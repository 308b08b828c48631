import { useQuery } from "@tanstack/react-query";
import { api, result, type PageFull, type Style } from "../api/client";
import type { Backend } from "./store";

/** How often another person's changes are looked for while the sheet is open. */
const LOOK_AGAIN = 8_000;

export function useStyle(site: string) {
  return useQuery({
    queryKey: ["style", site],
    queryFn: () => result<Style>(api.GET("/api/sites/{site}/style", { params: { path: { site } } })),
    refetchInterval: LOOK_AGAIN,
    staleTime: 0,
  });
}

export function backendFor(site: string, wrotePage: () => void): Backend {
  return {
    facts: (facts, revision) =>
      result<Style>(
        api.PATCH("/api/sites/{site}/style", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
          body: { facts },
        }),
      ),
    page: async (page, body, revision) => {
      const saved = await result<PageFull>(
        api.PATCH("/api/sites/{site}/pages/{page}", {
          params: { path: { site, page } },
          headers: { "If-Match": String(revision) },
          body,
        }),
      );
      wrotePage();
      return saved;
    },
  };
}
