import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, given, type Edition, type Schemas } from "../api/client";

/** As many as the server gives at once. */
const LEAF = 50;

export function useEditions(site: string) {
  return useInfiniteQuery({
    queryKey: ["editions", site],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) =>
      given<Edition[]>(
        api.GET("/api/sites/{site}/editions", {
          params: { path: { site }, query: pageParam === undefined ? {} : { before: pageParam } },
        }),
      ),
    getNextPageParam: (last) => (last.length === LEAF ? last.at(-1)?.number : undefined),
  });
}

export function useRestore(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (number: number) =>
      given<Schemas["RestoredOut"]>(
        api.POST("/api/sites/{site}/editions/{number}/restore", { params: { path: { site, number } } }),
      ),
    onSettled: () => queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" }),
  });
}
