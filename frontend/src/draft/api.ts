import { useQuery } from "@tanstack/react-query";
import { api, given, type Style } from "../api/client";
import type { Desk } from "./keeper";

/** How often another person's changes are looked for while the sheet is open. */
const LOOK_AGAIN = 8_000;

export function styleKey(site: string) {
  return ["style", site] as const;
}

export function useStyle(site: string) {
  return useQuery({
    queryKey: styleKey(site),
    queryFn: () => given<Style>(api.GET("/api/sites/{site}/style", { params: { path: { site } } })),
    refetchInterval: LOOK_AGAIN,
    staleTime: 0,
  });
}

export function deskFor(site: string): Desk {
  return {
    keep: (facts, revision) =>
      given<Style>(
        api.PATCH("/api/sites/{site}/style", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
          body: { facts },
        }),
      ),
  };
}
