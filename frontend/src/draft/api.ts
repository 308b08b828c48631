import { useQuery } from "@tanstack/react-query";
import { api, patience, result, type PageFull, type Schemas, type Style } from "../api/client";
import { ApiProblem } from "../api/problem";
import type { Backend } from "./store";
import { cellsOf, merged } from "./titles";

/** How often another person's changes are looked for while the sheet is open. */
const LOOK_AGAIN = 8_000;

export function useStyle(site: string) {
  return useQuery({
    queryKey: ["style", site],
    queryFn: () => readStyle(site),
    refetchInterval: LOOK_AGAIN,
    staleTime: 0,
  });
}

export function readStyle(site: string): Promise<Style> {
  return result<Style>(api.GET("/api/sites/{site}/style", { params: { path: { site } } }));
}

export function readPage(site: string, page: number): Promise<PageFull> {
  return result<PageFull>(api.GET("/api/sites/{site}/pages/{page}", { params: { path: { site, page } } }));
}

export function backendFor(site: string, wrotePage: () => void): Backend {
  return {
    facts: (facts, revision) =>
      result<Style>(
        api.PATCH("/api/sites/{site}/style", {
          params: { path: { site } },
          headers: { "If-Match": String(revision) },
          body: { facts },
          signal: patience(),
        }),
      ),
    page: async (page, body, revision) => {
      const saved = await result<PageFull>(
        api.PATCH("/api/sites/{site}/pages/{page}", {
          params: { path: { site, page } },
          headers: { "If-Match": String(revision) },
          body,
          signal: patience(),
        }),
      );
      wrotePage();
      return saved;
    },
    titles: async (cells, table, revision) => {
      try {
        const saved = await result<Schemas["TitlesOut"]>(
          api.PATCH("/api/sites/{site}/titles", {
            params: { path: { site } },
            headers: { "If-Match": String(revision) },
            body: { cells: cellsOf(cells) },
            signal: patience(),
          }),
        );
        wrotePage();
        return merged(table, saved);
      } catch (error) {
        // What is there now is only what was asked about: the rest of the table stays.
        if (error instanceof ApiProblem && error.problem.current) {
          const current = error.problem.current as unknown as Schemas["TitlesOut"];
          error.problem.current = { ...merged(table, current) };
        }
        throw error;
      }
    },
  };
}
