import type { Facts } from "../api/client";
import { same } from "./document";
import type { FactsDocument } from "./store";

export type FactKey = keyof Facts;

/** Whether a fact says something else than the live edition. Before the first one there is nothing to differ from. */
export function isChanged(facts: FactsDocument, key: FactKey): boolean {
  const live = facts.state.meta.live_facts;
  return live ? !same(facts.value(key), live[key]) : false;
}

/** How many changes visitors don't see yet: facts, as saved or about to be, and pages. */
export function countChanges(facts: FactsDocument): number {
  const { meta, typed } = facts.state;
  const keys = new Set<string>(meta.changed);
  const stuck = facts.notSaved();
  for (const key of Object.keys(typed) as FactKey[]) {
    if (!meta.live_facts || stuck.includes(key)) continue;
    if (isChanged(facts, key)) keys.add(key);
    else keys.delete(key);
  }
  return keys.size + meta.changed_pages;
}
