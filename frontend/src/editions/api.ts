import { useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, result, type Edition, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { useDeed } from "../draft/deeds";
import { useStore } from "../draft/hooks";

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

/** Brings an edition back into the draft, as one step that can be undone. */
export function useRestore(site: string) {
  const queries = useQueryClient();
  const store = useStore();
  const noteDeed = useDeed(site);
  const readAnew = () => queries.invalidateQueries(BUT_SESSION);
  return useMutation({
    mutationFn: async (number: number) => {
      await store.flush();
      const restored = await result<Schemas["RestoredOut"]>(
        api.POST("/api/sites/{site}/editions/{number}/restore", { params: { path: { site, number } } }),
      );
      noteDeed(restored.deed);
      return restored;
    },
    onSettled: readAnew,
  });
}
