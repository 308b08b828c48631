import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { Site, Style } from "../api/client";
import { ApiProblem, NoConnection } from "../api/problem";
import { QueryBoundary } from "../ui/QueryBoundary";
import { backendFor, readPage, useStyle } from "./api";
import { layAside, takenUp, thisTab } from "./aside";
import { StoreContext } from "./hooks";
import { DraftStore } from "./store";

/** Lays what the server does not have aside in this browser, and takes it up again at the next visit. */
function useNothingLost(site: string, store: DraftStore, mayWrite: boolean) {
  useEffect(() => {
    let lay = () => {};
    let stop = () => {};
    let left = false;
    async function begin() {
      const tab = await thisTab();
      if (left) return;
      if (mayWrite) store.takeUp(await takenUp(site));
      lay = () => layAside(site, tab, store.aside());
      // It may have been typed in while that was looked up.
      lay();
      stop = store.subscribe(lay);
      for (const page of store.waitingPages) await opened(site, store, page);
    }
    void begin();
    const layNow = () => lay();
    addEventListener("pagehide", layNow);
    return () => {
      left = true;
      stop();
      removeEventListener("pagehide", layNow);
      void store.flush();
    };
  }, [site, store, mayWrite]);
}

/** Opens a page of which something was laid aside, so that it is saved wherever the person is; one that is gone waits. */
async function opened(site: string, store: DraftStore, page: number) {
  try {
    store.openPage(await readPage(site, page));
  } catch (error) {
    if (!(error instanceof ApiProblem || error instanceof NoConnection)) throw error;
  }
}

function Provided({ site, style, children }: { site: Site; style: Style; children: ReactNode }) {
  const [first] = useState(style);
  const queries = useQueryClient();
  const store = useMemo(() => {
    const wrotePage = () =>
      void queries.invalidateQueries({ predicate: ({ queryKey }) => ["style", "pages"].includes(String(queryKey[0])) });
    return new DraftStore(first, backendFor(site.slug, wrotePage));
  }, [first, site.slug, queries]);
  useNothingLost(site.slug, store, site.may.edit.allowed);
  useEffect(() => store.facts.refresh(style), [store, style]);
  useEffect(() => {
    const again = () => void store.flush();
    addEventListener("online", again);
    return () => removeEventListener("online", again);
  }, [store]);
  return <StoreContext value={store}>{children}</StoreContext>;
}

/** Holds the draft of the open site for every view of it. */
export function DraftProvider({ site, children }: { site: Site; children: ReactNode }) {
  const style = useStyle(site.slug);
  return (
    <QueryBoundary query={style}>
      {(now) => (
        <Provided site={site} style={now}>
          {children}
        </Provided>
      )}
    </QueryBoundary>
  );
}
