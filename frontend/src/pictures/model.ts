import type { Picture } from "./api";

export const ORDERS = ["newest", "name", "size"] as const;
export type Order = (typeof ORDERS)[number];

const COMPARE: Record<Order, (one: Picture, other: Picture) => number> = {
  newest: (one, other) => other.created.localeCompare(one.created),
  name: (one, other) => one.name.localeCompare(other.name, undefined, { numeric: true }),
  size: (one, other) => other.size - one.size,
};

/** Pictures that hold what is sought in their name or words, in an order. */
export function arranged(pictures: Picture[], sought: string, order: Order, onlyUndescribed: boolean): Picture[] {
  const wanted = sought.trim().toLowerCase();
  return pictures
    .filter((picture) => !onlyUndescribed || !picture.description)
    .filter((picture) =>
      [picture.name, picture.description, picture.title, picture.caption].join("\n").toLowerCase().includes(wanted),
    )
    .sort(COMPARE[order]);
}
