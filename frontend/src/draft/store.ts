import type { Facts, Style } from "../api/client";
import { ApiProblem, NoConnection, type Spot } from "../api/problem";

/** A fact that is edited on the sheet. */
export type Key = Exclude<keyof Facts, "version">;
/** What a fact says: a text, or the plain value of one that is no text, such as a logo. */
export type Value = Facts[Key];
export type Values = Partial<Record<Key, Value>>;

export type Sign = "typing" | "keeping" | "kept" | "refused" | "offline" | "signedOut";

export interface Conflict {
  mine: Value;
  theirs: Value;
}

/** What one undo takes back: the values of one fact, or of several that were chosen together. */
interface Step {
  before: Values;
  after: Values;
}

export interface KeeperState {
  style: Style;
  /** What stands in the fields, where it is not (or not yet) what the server keeps. */
  typed: Values;
  signs: Partial<Record<Key, Sign>>;
  errors: Partial<Record<Key, Spot[]>>;
  conflicts: Partial<Record<Key, Conflict>>;
  canUndo: boolean;
  canRedo: boolean;
}

/** The keeper's way to the server. */
export interface Desk {
  keep(values: Values, revision: number): Promise<Style>;
}

const WAIT = 300;
const RETRY = 3_000;
const SAME_STEP = 1_000;

/** What the server would make of a text (`core.texts.tidy`), to tell whether it has it already. */
export function tidy(text: string): string {
  return text.trim().normalize("NFC");
}

function without<T>(values: Partial<Record<Key, T>>, key: Key): Partial<Record<Key, T>> {
  return Object.fromEntries(Object.entries(values).filter(([name]) => name !== key)) as Partial<Record<Key, T>>;
}

/** Whether two values say the same, as the server would keep them. */
export function same(one: Value | undefined, other: Value | undefined): boolean {
  if (typeof one === "string" && typeof other === "string") return tidy(one) === tidy(other);
  return JSON.stringify(one ?? null) === JSON.stringify(other ?? null);
}

/** What a fact says here, kept or not. */
export function valueOf<K extends Key>(state: KeeperState, key: K): Facts[K] {
  return (key in state.typed ? state.typed[key] : state.style.facts[key]) as Facts[K];
}

/** What stands in a text's field. */
export function shownValue(state: KeeperState, key: Key): string {
  return String(valueOf(state, key) ?? "");
}

/** The facts whose words in the field are not kept, as they were refused or wait for a choice. */
export function notKept(state: KeeperState): Key[] {
  const keys = Object.keys(state.typed) as Key[];
  return keys.filter((key) => state.signs[key] === "refused" || state.conflicts[key]);
}

/** How many changes visitors don't see yet: facts, as kept or about to be, and pages. */
export function countChanges(state: KeeperState): number {
  const keys = new Set<string>(state.style.changed);
  const stuck = notKept(state);
  for (const key of Object.keys(state.typed) as Key[]) {
    if (stuck.includes(key)) continue;
    if (isChanged(state, key)) keys.add(key);
    else keys.delete(key);
  }
  return keys.size + state.style.changed_pages;
}

/** Whether a fact says something else than the live edition. */
export function isChanged(state: KeeperState, key: Key): boolean {
  const live = state.style.live_facts;
  const value = valueOf(state, key);
  if (live) return !same(value, live[key]);
  return typeof value === "string" ? tidy(value) !== "" : Boolean(value);
}

/**
 * Keeps what is typed: as a draft on the server soon after the last keystroke, with undo and redo, one write
 * at a time. A write that somebody else's overtook is made again where both touched different facts; where
 * they touched the same one, the person is asked.
 */
export class Keeper {
  private state: KeeperState;
  private readonly listeners = new Set<() => void>();
  private readonly done: Step[] = [];
  private readonly undone: Step[] = [];
  private lastTyped = -Infinity;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> | undefined;
  private readonly sent = new Map<Key, Value>();

  constructor(
    style: Style,
    private readonly desk: Desk,
    private readonly now: () => number = Date.now,
  ) {
    this.state = { style, typed: {}, signs: {}, errors: {}, conflicts: {}, canUndo: false, canRedo: false };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): KeeperState => this.state;

  private set(change: Partial<KeeperState>): void {
    const steps = { canUndo: this.done.length > 0, canRedo: this.undone.length > 0 };
    this.state = { ...this.state, ...steps, ...change };
    for (const listener of this.listeners) listener();
  }

  private mark(keys: Iterable<Key>, sign: Sign): void {
    this.set({ signs: { ...this.state.signs, ...Object.fromEntries([...keys].map((key) => [key, sign])) } });
  }

  /** A keystroke in a fact's field. Keystrokes in a row are one step to undo. */
  type(key: Key, text: string): void {
    const before = shownValue(this.state, key);
    if (text === before) return;
    const last = this.done.at(-1);
    const now = this.now();
    if (last && key in last.after && now - this.lastTyped < SAME_STEP) last.after[key] = text;
    else this.done.push({ before: { [key]: before }, after: { [key]: text } });
    this.lastTyped = now;
    this.undone.length = 0;
    this.put({ [key]: text });
  }

  /** A choice of one or more values at once, which is one step to undo. With `sliding`, choices in a row are one. */
  choose(values: Values, sliding = false): void {
    const keys = (Object.keys(values) as Key[]).filter((key) => !same(values[key], valueOf(this.state, key)));
    if (!keys.length) return;
    const pick = (from: (key: Key) => Value | undefined) => Object.fromEntries(keys.map((key) => [key, from(key)])) as Values;
    const step = { before: pick((key) => valueOf(this.state, key)), after: pick((key) => values[key]) };
    const last = this.done.at(-1);
    const goesOn = sliding && last && this.now() - this.lastTyped < SAME_STEP && keys.every((key) => key in last.after);
    if (goesOn) Object.assign(last.after, step.after);
    else this.done.push(step);
    this.lastTyped = sliding ? this.now() : -Infinity;
    this.undone.length = 0;
    this.put(step.after);
  }

  private put(values: Values): void {
    const keys = Object.keys(values);
    const each = <T>(value: T) => Object.fromEntries(keys.map((key) => [key, value]));
    this.set({
      typed: { ...this.state.typed, ...values },
      signs: { ...this.state.signs, ...each("typing" as Sign) },
      errors: { ...this.state.errors, ...each([]) },
    });
    this.soon(WAIT);
  }

  /** Takes the last step back; says which fact it was. */
  undo(): Key | undefined {
    return this.step(this.done, this.undone, (step) => step.before);
  }

  /** Makes the last step that was taken back again. */
  redo(): Key | undefined {
    return this.step(this.undone, this.done, (step) => step.after);
  }

  private step(from: Step[], to: Step[], values: (step: Step) => Values): Key | undefined {
    const step = from.pop();
    if (!step) return undefined;
    to.push(step);
    this.lastTyped = -Infinity;
    this.put(values(step));
    return Object.keys(step.after)[0] as Key | undefined;
  }

  /** Makes a fact say again what the live edition says. */
  putBack(key: Key): void {
    const live = this.state.style.live_facts;
    if (!live) return;
    const value = live[key];
    this.lastTyped = -Infinity;
    if (typeof value === "string") this.type(key, value);
    else this.choose({ [key]: value });
    this.lastTyped = -Infinity;
    void this.flush();
  }

  /** The person's choice between two values of one fact. */
  settleConflict(key: Key, whose: "mine" | "theirs"): void {
    const conflict = this.state.conflicts[key];
    if (!conflict) return;
    this.set({ conflicts: without(this.state.conflicts, key) });
    this.sent.delete(key);
    this.put({ [key]: conflict[whose] });
    void this.flush();
  }

  /** The field was left: it may show the value as it was tidied and kept. */
  settle(key: Key): void {
    const text = this.state.typed[key];
    if (text !== undefined && same(text, this.state.style.facts[key]) && !this.state.conflicts[key]) {
      this.set({ typed: without(this.state.typed, key) });
    }
  }

  /** What the server keeps now, as read from it: others may have written meanwhile. */
  refresh(style: Style): void {
    if (style.revision >= this.state.style.revision) this.take(style);
  }

  private soon(wait: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), wait);
  }

  private pending(): Values {
    return this.differing((key) => this.state.signs[key] !== "refused" && !this.state.conflicts[key]);
  }

  /** Keeps everything that was typed; done when the server has it, or has refused it. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    while (this.sending) await this.sending;
    const values = this.pending();
    const keys = Object.keys(values) as Key[];
    const idle = (Object.keys(this.state.typed) as Key[]).filter((key) => this.state.signs[key] === "typing" && !keys.includes(key));
    if (idle.length) this.mark(idle, "kept");
    if (keys.length === 0) return;
    this.sending = this.send(values, keys).finally(() => (this.sending = undefined));
    await this.sending;
  }

  private async send(values: Values, keys: Key[]): Promise<void> {
    this.mark(keys, "keeping");
    for (const key of keys) this.sent.set(key, values[key] as Value);
    try {
      const style = await this.desk.keep(values, this.state.style.revision);
      const still = keys.filter((key) => this.state.typed[key] === values[key]);
      // A text stays as it was typed until its field is left; any other value shows as it was kept.
      const shown = still.filter((key) => typeof values[key] !== "string");
      this.set({ style, typed: shown.reduce((typed, key) => without(typed, key), this.state.typed) });
      for (const key of keys) this.sent.delete(key);
      this.mark(still, "kept");
    } catch (error) {
      this.failed(error, keys);
    }
  }

  private failed(error: unknown, keys: Key[]): void {
    if (error instanceof NoConnection) {
      this.mark(keys, "offline");
      this.soon(RETRY);
    } else if (error instanceof ApiProblem && error.problem.current) {
      this.take(error.problem.current);
      this.soon(0);
    } else if (error instanceof ApiProblem && error.status === 422) {
      this.refused(error, keys);
    } else if (error instanceof ApiProblem && error.status === 401) {
      this.mark(keys, "signedOut");
    } else if (error instanceof ApiProblem && error.status < 500) {
      // Such as a role that was taken away: trying again would not help, so the reason is shown instead.
      const spot = { field: "", code: error.problem.code, message: error.message };
      this.set({ errors: { ...this.state.errors, ...Object.fromEntries(keys.map((key) => [key, [spot]])) } });
      this.mark(keys, "refused");
    } else {
      this.mark(keys, "offline");
      this.soon(RETRY);
    }
  }

  private refused(error: ApiProblem, keys: Key[]): void {
    const wrong = keys.filter((key) => error.spots(key).length > 0);
    const errors = Object.fromEntries(wrong.map((key) => [key, error.spots(key)]));
    // Keystrokes that came meanwhile may have mended it, so only what was refused is marked so.
    const same = wrong.filter((key) => this.state.typed[key] === this.sent.get(key));
    this.set({ errors: { ...this.state.errors, ...errors } });
    this.mark(same, "refused");
    this.mark(
      keys.filter((key) => !wrong.includes(key)),
      "typing",
    );
    if (Object.keys(this.pending()).length) this.soon(0);
  }

  /** Takes a newer state of the server; asks where somebody else changed a fact that is being changed here. */
  private take(style: Style): void {
    const before = this.state.style.facts;
    const conflicts = { ...this.state.conflicts };
    let typed = this.state.typed;
    for (const [name, text] of Object.entries(this.state.typed)) {
      const key = name as Key;
      const theirs = style.facts[key];
      // What is on its way from here may be read back before its own answer comes.
      const ours = this.sent.has(key) && same(theirs, this.sent.get(key));
      if (ours || same(theirs, before[key]) || same(theirs, text)) continue;
      const mineIsKept = same(text, before[key]);
      if (mineIsKept) typed = without(typed, key);
      else conflicts[key] = { mine: text, theirs };
    }
    this.set({ style, typed, conflicts });
  }

  /** What the server does not have yet, to be laid aside if the page has to go. */
  unkept(): Values {
    return this.differing(() => true);
  }

  private differing(counts: (key: Key) => boolean): Values {
    const keys = Object.keys(this.state.typed) as Key[];
    const found = keys.filter((key) => counts(key) && !same(this.state.typed[key], this.state.style.facts[key]));
    return Object.fromEntries(found.map((key) => [key, this.state.typed[key]])) as Values;
  }
}
