import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, result, type Edition, type Schemas } from "../api/client";

interface Part {
  editions: Edition[];
  /** The number before which the next ones are. */
  next: number | undefined;
}

/** Where the next part is, from a Link header (RFC 8288). */
export function nextFrom(link: string | null): number | undefined {
  const found = /<[^>]*[?&]before=(\d+)[^>]*>;\s*rel="next"/.exec(link ?? "");
  return found ? Number(found[1]) : undefined;
}

async function fetchEditions(site: string, before: number | undefined): Promise<Part> {
  const call = api.GET("/api/sites/{site}/editions", {
    params: { path: { site }, query: before === undefined ? {} : { before } },
  });
  const editions = await result<Edition[]>(call);
  return { editions, next: nextFrom((await call).response.headers.get("Link")) };
}

export function useEditions(site: string) {
  return useInfiniteQuery({
    queryKey: ["editions", site],
    initialPageParam: undefined as number | undefined,
    queryFn: ({ pageParam }) => fetchEditions(site, pageParam),
    getNextPageParam: (last) => last.next,
  });
}

export function useRestore(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (number: number) =>
      result<Schemas["RestoredOut"]>(
        api.POST("/api/sites/{site}/editions/{number}/restore", { params: { path: { site, number } } }),
      ),
    onSettled: () => queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "session" }),
  });
}
