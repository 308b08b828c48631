import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore, type ReactNode } from "react";
import type { Site, Style } from "../api/client";
import { Await } from "../ui/Await";
import { deskFor, useStyle } from "./api";
import { Keeper, type Key, type KeeperState, type Values } from "./keeper";

const Context = createContext<Keeper | null>(null);

/** The keeper of the open site, and its present state. */
export function useKeeper(): { keeper: Keeper; state: KeeperState } {
  const keeper = useContext(Context);
  if (!keeper) throw new Error("`useKeeper` must be used within `KeeperProvider`");
  return { keeper, state: useSyncExternalStore(keeper.subscribe, keeper.snapshot) };
}

function asideKey(site: string): string {
  return `hestor.unkept.${site}`;
}

/** Lays what the server does not have aside in this browser, and takes it up again at the next visit. */
function useNothingLost(site: string, keeper: Keeper, mayWrite: boolean) {
  useEffect(() => {
    const aside = localStorage.getItem(asideKey(site));
    if (aside && mayWrite) {
      localStorage.removeItem(asideKey(site));
      for (const [key, value] of Object.entries(JSON.parse(aside) as Values)) {
        if (typeof value === "string") keeper.type(key as Key, value);
        else keeper.choose({ [key]: value });
      }
    }
    function layAside() {
      const unkept = keeper.unkept();
      if (Object.keys(unkept).length) localStorage.setItem(asideKey(site), JSON.stringify(unkept));
      else localStorage.removeItem(asideKey(site));
    }
    const stop = keeper.subscribe(layAside);
    addEventListener("pagehide", layAside);
    return () => {
      stop();
      removeEventListener("pagehide", layAside);
      void keeper.flush();
    };
  }, [site, keeper, mayWrite]);
}

function Keeping({ site, style, children }: { site: Site; style: Style; children: ReactNode }) {
  const [first] = useState(style);
  const keeper = useMemo(() => new Keeper(first, deskFor(site.slug)), [first, site.slug]);
  useNothingLost(site.slug, keeper, site.role !== "viewer");
  useEffect(() => keeper.refresh(style), [keeper, style]);
  useEffect(() => {
    const again = () => void keeper.flush();
    addEventListener("online", again);
    return () => removeEventListener("online", again);
  }, [keeper]);
  return <Context value={keeper}>{children}</Context>;
}

export function KeeperProvider({ site, children }: { site: Site; children: ReactNode }) {
  const style = useStyle(site.slug);
  return (
    <Await query={style}>
      {(now) => (
        <Keeping site={site} style={now}>
          {children}
        </Keeping>
      )}
    </Await>
  );
}
