import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { Facts, Site, Style } from "../api/client";
import { QueryBoundary } from "../ui/QueryBoundary";
import { backendFor, useStyle } from "./api";
import { StoreContext } from "./hooks";
import { DraftStore } from "./store";

function asideKey(site: string): string {
  return `hestor.unsaved.${site}`;
}

/** Lays what the server does not have aside in this browser, and takes it up again at the next visit. */
function useNothingLost(site: string, store: DraftStore, mayWrite: boolean) {
  useEffect(() => {
    const aside = localStorage.getItem(asideKey(site));
    if (aside && mayWrite) {
      localStorage.removeItem(asideKey(site));
      store.choose("facts", JSON.parse(aside) as Partial<Facts>);
    }
    function layAside() {
      const unsaved = store.facts.unsaved();
      if (Object.keys(unsaved).length) localStorage.setItem(asideKey(site), JSON.stringify(unsaved));
      else localStorage.removeItem(asideKey(site));
    }
    const stop = store.subscribe(layAside);
    addEventListener("pagehide", layAside);
    return () => {
      stop();
      removeEventListener("pagehide", layAside);
      void store.flush();
    };
  }, [site, store, mayWrite]);
}

function Provided({ site, style, children }: { site: Site; style: Style; children: ReactNode }) {
  const [first] = useState(style);
  const queries = useQueryClient();
  const store = useMemo(() => {
    const wrotePage = () =>
      void queries.invalidateQueries({ predicate: ({ queryKey }) => ["style", "pages"].includes(String(queryKey[0])) });
    return new DraftStore(first, backendFor(site.slug, wrotePage));
  }, [first, site.slug, queries]);
  useNothingLost(site.slug, store, site.role !== "viewer");
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
