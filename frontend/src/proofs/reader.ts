import { replaceEqualDeep } from "@tanstack/react-query";
import type { Proof, Proofs, Reach } from "../api/client";
import { ApiProblem } from "../api/problem";
import { isFile, type Place } from "./model";

export interface PlaceRequest {
  place: Place;
  home: boolean;
}

export interface ProofRequest {
  path: string;
  /** The time on the site's clock that is looked at; empty, now. */
  at: string;
  typed: Record<string, unknown>;
  places: PlaceRequest[];
}

export interface ReachRequest {
  keys: string[];
  typed: Record<string, unknown>;
}

/** The reader's way to the server. */
export interface ProofSource {
  proofs: (request: ProofRequest) => Promise<Proofs>;
  reach: (request: ReachRequest) => Promise<Record<string, Reach>>;
}

export interface ReaderState {
  path: string;
  /** Proofs by place and page, as last read. */
  proofs: Record<string, Proof>;
  reach: Record<string, Reach>;
  derived: Record<string, string>;
  themes: Proofs["themes"];
  direction: Proofs["direction"];
  iconUrl: string;
  lost: boolean;
  /** Whether something in view has not been drawn for the first time yet. */
  waits: boolean;
}

/** What somebody looks at: the places drawn for it, and the facts whose reach is said. */
interface Viewed {
  places: PlaceRequest[];
  keys: string[];
}

/** For what the reach of a fact was counted last: the state of the draft, and what was typed for the fact itself. */
interface Counted {
  stamp: string;
  says: string;
}

/** Reach is counted on all pages, so it waits until the typing rests. */
const REST = 500;
/** Another fact's words rarely alter where a fact lands: that is counted once the typing has rested for longer. */
const LONG_REST = 3_000;

export function proofKey(place: Place, path: string): string {
  return `${place} ${path}`;
}

/** A place of a row: of the page that is looked at, or of the first one. */
interface SlotPlace {
  place: Place;
  home?: boolean;
}

/** Which proof stands in a slot of a row, while a page is looked at. */
export function slotKey({ place, home = false }: SlotPlace, path: string): string {
  return proofKey(place, isFile(place) ? "" : home ? "/" : path);
}

/** Where the proof of a place is found: files have no page. */
function keyOf(proof: Proof): string {
  return proofKey(proof.place, proof.path);
}

/**
 * Reads proofs while somebody types: at once, one request at a time, always for the newest words next, and only for
 * the places on screen; so a slow line never shows older words after newer ones, nor waits for the typing to end.
 */
export class ProofReader {
  private state: ReaderState = {
    path: "/",
    proofs: {},
    reach: {},
    derived: {},
    themes: {},
    direction: "ltr",
    iconUrl: "",
    lost: false,
    waits: false,
  };
  private readonly listeners = new Set<() => void>();
  private readonly viewed = new Map<string, Viewed>();
  private typed: Record<string, unknown> = {};
  private at = "";
  private wanted = false;
  private busy = false;
  private stamp = "";
  private readonly counted = new Map<string, Counted>();
  private rest: ReturnType<typeof setTimeout> | undefined;
  private longRest: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly source: ProofSource) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): ReaderState => this.state;

  private set(change: Partial<ReaderState>): void {
    // What says the same stays the same object, so that only what differs is drawn anew.
    this.state = replaceEqualDeep(this.state, { ...this.state, ...change });
    for (const listener of this.listeners) listener();
  }

  /** Other words, another page, or another revision of the draft. */
  want(path: string, at: string, typed: Record<string, unknown>, revision: number): void {
    this.typed = typed;
    this.at = at;
    this.stamp = `${String(revision)} ${JSON.stringify(typed)}`;
    if (path !== this.state.path) this.set({ path });
    this.read();
  }

  /** Somebody looks at the proofs of some facts; call what comes back when they no longer do. */
  view(id: string, viewed: Viewed): () => void {
    this.viewed.set(id, viewed);
    this.read();
    return () => this.viewed.delete(id);
  }

  private places(): PlaceRequest[] {
    const found = [...this.viewed.values()].flatMap((one) => one.places);
    return [...new Map(found.map((one) => [`${one.place} ${String(one.home)}`, one])).values()];
  }

  private read(): void {
    clearTimeout(this.rest);
    clearTimeout(this.longRest);
    this.rest = setTimeout(() => void this.readReach((key) => this.counted.get(key)?.says !== this.says(key)), REST);
    this.longRest = setTimeout(() => void this.readReach(() => true), LONG_REST);
    this.wanted = true;
    if (this.places().some((one) => !this.state.proofs[slotKey(one, this.state.path)])) this.set({ waits: true });
    // Rows that come into view together are asked for together.
    if (!this.busy) {
      this.busy = true;
      queueMicrotask(() => void this.work());
    }
  }

  private async work(): Promise<void> {
    while (this.wanted) {
      this.wanted = false;
      const places = this.places();
      if (!places.length) break;
      try {
        const read = await this.source.proofs({ path: this.state.path, at: this.at, typed: this.typed, places });
        const proofs = {
          ...this.state.proofs,
          ...Object.fromEntries(read.proofs.map((proof) => [keyOf(proof), proof])),
        };
        this.set({
          proofs,
          derived: read.derived,
          themes: read.themes,
          direction: read.direction,
          iconUrl: read.icon_url,
          lost: false,
        });
      } catch (error) {
        // A refusal (a page that is gone, a session that ended) is said elsewhere; the last proofs stay.
        this.set({ lost: !(error instanceof ApiProblem) });
      }
    }
    this.busy = false;
    if (this.state.waits) this.set({ waits: false });
  }

  /** What is typed for a fact. */
  private says(key: string): string {
    return JSON.stringify(this.typed[key] ?? null);
  }

  private async readReach(isDue: (key: string) => boolean): Promise<void> {
    const { stamp, typed } = this;
    const viewed = new Set([...this.viewed.values()].flatMap((one) => one.keys));
    const keys = [...viewed].filter((key) => this.counted.get(key)?.stamp !== stamp && isDue(key));
    if (!keys.length) return;
    const counted = keys.map((key): [string, Counted] => [key, { stamp, says: this.says(key) }]);
    try {
      const found = await this.source.reach({ keys, typed });
      for (const [key, one] of counted) this.counted.set(key, one);
      this.set({ reach: { ...this.state.reach, ...found } });
    } catch {
      // The proofs say by themselves that the connection is lost; reach is counted again at the next rest.
    }
  }
}
