import { useInfiniteQuery, type InfiniteData } from "@tanstack/react-query";
import type { Change } from "../api/client";

/** Some of many changes, and how many there are in all. */
interface Part {
  changes: Change[];
  count: number;
}

/** As many changes are drawn at once without a pause; more are asked for. */
const STEP = 100;

function joined<T extends Part>({ pages }: InfiniteData<T>): T {
  const [first] = pages;
  if (!first) throw new Error("a query gives a part at least");
  return { ...first, changes: pages.flatMap(({ changes }) => changes) };
}

/** Changes as far as they were asked for; `ask` gets the number of the first one of a part. */
export function useParts<T extends Part>(
  queryKey: readonly unknown[],
  ask: (window: { start: number; count: number }) => Promise<T>,
) {
  return useInfiniteQuery({
    queryKey,
    queryFn: ({ pageParam }) => ask({ start: pageParam, count: STEP }),
    initialPageParam: 0,
    getNextPageParam: ({ changes, count }, _, start) =>
      changes.length > 0 && start + changes.length < count ? start + changes.length : undefined,
    select: joined<T>,
    staleTime: 0,
  });
}
