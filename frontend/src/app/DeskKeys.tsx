import { useEffect, useMemo, useState, type ReactNode } from "react";
import type { Session, Site } from "../api/client";
import { DeskKeysContext, type Opened } from "./opened";
import { useCommonEntries, useSiteEntries } from "./useEntries";

type Parts = typeof import("./onDemand");

/**
 * What nobody needs before asking for it is no part of the first load. It is fetched once there is nothing else to do:
 * what is typed right after Ctrl+K has to find its field there.
 */
function useParts(wanted: boolean): Parts | null {
  const [parts, setParts] = useState<Parts | null>(null);
  useEffect(() => {
    const timer = setTimeout(() => void import("./onDemand").then(setParts), wanted ? 0 : 1_000);
    return () => clearTimeout(timer);
  }, [wanted]);
  return parts;
}

type Person = NonNullable<Session["account"]>;

/** What is typed after Ctrl+K while the finder is still being fetched: it stands in its field when that is there. */
function useEarlyTyping(waiting: boolean): [string, () => void] {
  const [early, setEarly] = useState("");
  useEffect(() => {
    if (!waiting) return;
    function onKey(event: KeyboardEvent) {
      if (event.key.length !== 1 || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      event.stopPropagation();
      setEarly((text) => text + event.key);
    }
    addEventListener("keydown", onKey, true);
    return () => removeEventListener("keydown", onKey, true);
  }, [waiting]);
  return [early, () => setEarly("")];
}

interface Found {
  parts: Parts;
  early: string;
  person: Person;
  sites: Site[];
  site: Site | undefined;
  onClose: () => void;
  onShortcuts: () => void;
}

function SiteFinder({ parts, early, person, sites, site, onClose, onShortcuts }: Found & { site: Site }) {
  return <parts.Finder entries={useSiteEntries(person, sites, site, onShortcuts)} early={early} onClose={onClose} />;
}

function PlainFinder({ parts, early, person, sites, onClose }: Found) {
  return <parts.Finder entries={useCommonEntries(person, sites)} early={early} onClose={onClose} />;
}

function isText(target: EventTarget | null): boolean {
  const element = target instanceof HTMLElement ? target : null;
  return Boolean(element?.closest("input:not([type=radio],[type=checkbox]),textarea,select,[contenteditable]"));
}

/** Opens the finder at Ctrl+K (⌘K), and the list of shortcuts at a question mark that is not typed into a text. */
function useKeys(open: (what: Opened) => void): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      const finds =
        (event.ctrlKey || event.metaKey) && !event.altKey && !event.shiftKey && event.key.toLowerCase() === "k";
      const lists = event.key === "?" && !event.ctrlKey && !event.metaKey && !isText(event.target);
      if (!finds && !lists) return;
      event.preventDefault();
      open(finds ? "finder" : "shortcuts");
    }
    addEventListener("keydown", onKey);
    return () => removeEventListener("keydown", onKey);
  }, [open]);
}

interface Props {
  person: Person;
  sites: Site[];
  site?: Site;
  children: ReactNode;
}

/** What can be opened from every view: the finder, and the list of shortcuts. */
export function DeskKeys({ person, sites, site, children }: Props) {
  const [opened, open] = useState<Opened | null>(null);
  useKeys(open);
  const parts = useParts(opened !== null);
  const [early, forget] = useEarlyTyping(opened === "finder" && !parts);
  const close = () => {
    open(null);
    forget();
  };
  const found = (parts: Parts): Found => ({
    parts,
    early,
    person,
    sites,
    site,
    onClose: close,
    onShortcuts: () => open("shortcuts"),
  });
  const context = useMemo(() => ({ open }), []);
  return (
    <DeskKeysContext value={context}>
      {children}
      {parts &&
        opened === "finder" &&
        (site ? <SiteFinder {...found(parts)} site={site} /> : <PlainFinder {...found(parts)} />)}
      {parts && opened === "shortcuts" && <parts.Shortcuts onClose={close} />}
    </DeskKeysContext>
  );
}
