import { useState } from "react";
import type { Page } from "../api/client";

export interface Chosen {
  /** The pages that are ticked, by number, as they are now. */
  pages: ReadonlyMap<number, Page>;
  choose: (page: Page, on: boolean) => void;
  clear: () => void;
}

/** Which pages are ticked. What is known of one stays while the list shows others; one that is read anew is told anew. */
export function useChosen(listed: readonly Page[]): Chosen {
  const [ticked, setTicked] = useState<ReadonlyMap<number, Page>>(new Map());
  const now = new Map(listed.map((page) => [page.id, page]));
  return {
    pages: new Map([...ticked].map(([id, page]) => [id, now.get(id) ?? page])),
    choose: (page, on) =>
      setTicked((before) => {
        const others = [...before].filter(([id]) => id !== page.id);
        return new Map(on ? [...others, [page.id, page]] : others);
      }),
    clear: () => setTicked(new Map()),
  };
}
