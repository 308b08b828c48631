import { createContext, useContext, useMemo, useState, useSyncExternalStore } from "react";
import { useOutletContext } from "react-router";
import type { Facts, Site } from "../api/client";
import type { FieldError } from "../api/problem";
import { isChanged, type FactKey } from "./changes";
import { asText, type Conflict, type SaveStatus } from "./document";
import type { DocumentId, DraftStore } from "./store";

export const StoreContext = createContext<DraftStore | null>(null);

/** The site that is open. */
export function useSite(): Site {
  return useOutletContext<Site>();
}

/** The draft of the open site. It never changes itself; what is read from it is read with `useSelect`. */
export function useStore(): DraftStore {
  const store = useContext(StoreContext);
  if (!store) throw new Error("`useStore` must be used within `DraftProvider`");
  return store;
}

function alike(one: unknown, other: unknown): boolean {
  if (Object.is(one, other)) return true;
  if (typeof one !== "object" || typeof other !== "object" || !one || !other) return false;
  const keys = Object.keys(one);
  if (keys.length !== Object.keys(other).length) return false;
  return keys.every((key) => Object.is(Reflect.get(one, key), Reflect.get(other, key)));
}

/** Remembers the last value, and gives it back for a new one that is alike. */
class Remembered<T> {
  private last: { value: T } | undefined;

  of(next: T): T {
    if (!this.last || !alike(this.last.value, next)) this.last = { value: next };
    return this.last.value;
  }
}

/** Something of the draft. The component renders anew only when that something is another one. */
export function useSelect<T>(select: (store: DraftStore) => T): T {
  const store = useStore();
  const [remembered] = useState(() => new Remembered<T>());
  return useSyncExternalStore(store.subscribe, () => remembered.of(select(store)));
}

/** What a fact says here, saved or not. */
export function useFact<K extends FactKey>(key: K): Facts[K] {
  return useSelect((store) => store.facts.value(key));
}

const NO_ERRORS: FieldError[] = [];

export interface FieldState {
  status: SaveStatus | undefined;
  errors: FieldError[];
  conflict: Conflict<unknown> | undefined;
}

/** How a field fares: whether it is saved, what is wrong with it, whether somebody else changed it. */
export function useFieldState(document: DocumentId, key: string): FieldState {
  return useSelect((store) => {
    const { statuses, errors, conflicts } = store.document(document).state;
    return { status: statuses[key], errors: errors[key] ?? NO_ERRORS, conflict: conflicts[key] };
  });
}

/** What stands in a text field. */
export function useFieldText(document: DocumentId, key: string): string {
  return useSelect((store) => asText(store.document(document).value(key)));
}

/** Whether a fact says something else than the live edition. */
export function useIsChanged(key: FactKey): boolean {
  return useSelect((store) => isChanged(store.facts, key));
}

export interface FactActions {
  type: (key: FactKey, text: string) => void;
  choose: (values: Partial<Facts>, sliding?: boolean) => void;
  settle: (key: FactKey) => void;
}

/** Changing facts. */
export function useFactActions(): FactActions {
  const store = useStore();
  return useMemo(
    () => ({
      type: (key, text) => store.type("facts", key, text),
      choose: (values, sliding) => store.choose("facts", values, sliding),
      settle: (key) => store.facts.settle(key),
    }),
    [store],
  );
}
