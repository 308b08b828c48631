import { useState } from "react";
import { useSelect } from "../draft/hooks";
import { usePageChoices } from "../pages";

export type ShownPage = ReturnType<typeof useShownPage>;

/** The page whose proofs the sheet shows: the chosen one while it is there, else the one that the house style names. */
export function useShownPage(site: string) {
  const pages = usePageChoices(site).data;
  const proposed = useSelect(({ facts }) => facts.state.meta.shown_on);
  const [chosen, choose] = useState(proposed);
  const [at, chooseAt] = useState("");
  // Of very many pages not all are at hand; one that is gone is told by its proofs.
  const known = (path: string) =>
    !pages || pages.count > pages.rows.length || pages.rows.some((page) => page.path === path);
  // The pages may have changed since the house style was read.
  const path = [chosen, proposed].find(known) ?? "/";
  return { count: pages?.count ?? 0, path, choose, at, chooseAt };
}
