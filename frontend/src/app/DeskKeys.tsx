import { useCallback, useEffect, useMemo, useState, type ReactNode } from "react";
import type { Session, Site } from "../api/client";
import { DeskKeysContext, type Opened } from "./opened";
import { useCommonEntries, useSiteEntries } from "./useEntries";

type Parts = typeof import("./onDemand");

/**
 * What nobody needs before asking for it is no part of the first load. It is fetched once there is nothing else to do:
 * what is typed right after Ctrl+K has to find its field there.
 */
function useParts(wanted: boolean, onLost: () => void): Parts | null {
  const [parts, setParts] = useState<Parts | null>(null);
  useEffect(() => {
    if (parts) return;
    const lost = () => wanted && onLost();
    const timer = setTimeout(() => void import("./onDemand").then(setParts, lost), wanted ? 0 : 1_000);
    return () => clearTimeout(timer);
  }, [parts, wanted, onLost]);
  return parts;
}

/** Takes what is typed after Ctrl+K until the finder's field has the focus; nothing of it goes anywhere else. */
function useEarlyTyping(waiting: boolean, take: (letter: string) => void): void {
  useEffect(() => {
    if (!waiting) return;
    function onKey(event: KeyboardEvent) {
      if (event.key.length !== 1 || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      event.stopPropagation();
      take(event.key);
    }
    addEventListener("keydown", onKey, true);
    return () => removeEventListener("keydown", onKey, true);
  }, [waiting, take]);
}

type Person = NonNullable<Session["account"]>;

interface Found {
  parts: Parts;
  typed: string;
  onType: (typed: string) => void;
  onReady: () => void;
  person: Person;
  sites: Site[];
  site: Site | undefined;
  onClose: () => void;
  onShortcuts: () => void;
}

function SiteFinder({ parts, person, sites, site, onShortcuts, ...field }: Found & { site: Site }) {
  return <parts.Finder entries={useSiteEntries(person, sites, site, field.typed, onShortcuts)} {...field} />;
}

function PlainFinder({ parts, person, sites, typed, onType, onReady, onClose }: Found) {
  return <parts.Finder entries={useCommonEntries(person, sites)} {...{ typed, onType, onReady, onClose }} />;
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
  const [opened, setOpened] = useState<Opened | null>(null);
  const [typed, setTyped] = useState("");
  const [ready, setReady] = useState(false);
  const open = useCallback((what: Opened | null) => {
    setOpened(what);
    setTyped("");
    setReady(false);
  }, []);
  const close = useCallback(() => open(null), [open]);
  const take = useCallback((letter: string) => setTyped((before) => before + letter), []);
  useKeys(open);
  const parts = useParts(opened !== null, close);
  useEarlyTyping(opened === "finder" && !ready, take);
  const found = (parts: Parts): Found => ({
    parts,
    typed,
    person,
    sites,
    site,
    onType: setTyped,
    onReady: () => setReady(true),
    onClose: close,
    onShortcuts: () => open("shortcuts"),
  });
  const context = useMemo(() => ({ open }), [open]);
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
