import type { Facts } from "../api/client";
import { DEFAULTS, FACTS } from "../api/facts.gen";
import { same, tidy } from "./document";
import type { FactsDocument } from "./store";

export type FactKey = keyof Facts;

const QUIET = new Set<string>(FACTS.filter((fact) => fact.quiet).map((fact) => fact.key));

/** Whether a fact says something else than the live edition. */
export function isChanged(facts: FactsDocument, key: FactKey): boolean {
  const live = facts.state.meta.live_facts;
  const value = facts.value(key);
  if (live) return !same(value, live[key]);
  // Before the first edition everything that was said is new, but for what nobody has to say.
  if (QUIET.has(key) && same(value, DEFAULTS[key])) return false;
  return typeof value === "string" ? tidy(value) !== "" : Boolean(value);
}

/** How many changes visitors don't see yet: facts, as saved or about to be, and pages. */
export function countChanges(facts: FactsDocument): number {
  const { meta, typed } = facts.state;
  const keys = new Set<string>(meta.changed);
  const stuck = facts.notSaved();
  for (const key of Object.keys(typed) as FactKey[]) {
    if (stuck.includes(key)) continue;
    if (isChanged(facts, key)) keys.add(key);
    else keys.delete(key);
  }
  return keys.size + meta.changed_pages;
}
