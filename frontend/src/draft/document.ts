import { ApiProblem, NoConnection, type FieldError } from "../api/problem";

export type SaveStatus = "typing" | "saving" | "saved" | "refused" | "offline" | "signedOut";

export interface Conflict<T> {
  mine: T;
  theirs: T;
  /** What both began with. */
  base: T;
}

/** Values that the server does not have, each with what it kept when they were typed. */
export type Laid = Record<string, { value: unknown; base: unknown }>;

/** How a document is read from what the server says of it, and written. */
export interface DocumentSource<V, M> {
  values: (meta: M) => V;
  revision: (meta: M) => number;
  write: (values: Partial<V>, revision: number) => Promise<M>;
}

type Keyed<V, T> = Partial<Record<keyof V, T>>;

export interface DocumentState<V, M> {
  /** What the server says of the document, as last read. */
  meta: M;
  /** What the server keeps. */
  saved: V;
  /** What stands in the fields, where it is not (or not yet) what the server keeps. */
  typed: Partial<V>;
  statuses: Keyed<V, SaveStatus>;
  errors: Keyed<V, FieldError[]>;
  conflicts: Keyed<V, Conflict<V[keyof V]>>;
}

const WAIT = 300;
const RETRY = 3_000;

/** What stands in a text field for a value; nothing for what is no text. */
export function asText(value: unknown): string {
  return typeof value === "string" || typeof value === "number" ? String(value) : "";
}

/** What the server would make of a text (`core.text.lines.tidy`), to tell whether it has it already. */
export function tidy(text: string): string {
  return text.trim().normalize("NFC");
}

/** Whether two values say the same, as the server would keep them. */
export function same(one: unknown, other: unknown): boolean {
  if (typeof one === "string" && typeof other === "string") return tidy(one) === tidy(other);
  return JSON.stringify(one ?? null) === JSON.stringify(other ?? null);
}

function without<T extends object>(values: T, key: PropertyKey): T {
  const rest = { ...values };
  Reflect.deleteProperty(rest, key);
  return rest;
}

function each<V, T>(keys: (keyof V)[], value: T): Keyed<V, T> {
  return Object.fromEntries(keys.map((key) => [key, value])) as Keyed<V, T>;
}

/**
 * One document of the draft: what is typed goes to the server soon after the last keystroke, one write at a time.
 * A write that somebody else's overtook is made again where both touched different fields; where they touched the
 * same one, the person is asked.
 */
export class DraftDocument<V extends object, M> {
  state: DocumentState<V, M>;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private sending: Promise<void> | undefined;
  private readonly sent = new Map<keyof V, V[keyof V]>();
  /** The revision that the next write is made on. */
  revision: number;

  constructor(
    meta: M,
    private readonly source: DocumentSource<V, M>,
    private readonly changed: () => void,
    private readonly wrote: (from: number, to: number) => void,
  ) {
    this.state = { meta, saved: source.values(meta), typed: {}, statuses: {}, errors: {}, conflicts: {} };
    this.revision = source.revision(meta);
  }

  value<K extends keyof V>(key: K): V[K] {
    return (key in this.state.typed ? this.state.typed[key] : this.state.saved[key]) as V[K];
  }

  private set(change: Partial<DocumentState<V, M>>): void {
    this.state = { ...this.state, ...change };
    this.changed();
  }

  private mark(keys: (keyof V)[], status: SaveStatus): void {
    if (keys.length) this.set({ statuses: { ...this.state.statuses, ...each(keys, status) } });
  }

  /** Puts values into the fields, to be saved soon. */
  put(values: Partial<V>): void {
    const keys = Object.keys(values) as (keyof V)[];
    this.set({
      typed: { ...this.state.typed, ...values },
      statuses: { ...this.state.statuses, ...each<V, SaveStatus>(keys, "typing") },
      errors: { ...this.state.errors, ...each<V, FieldError[]>(keys, []) },
      conflicts: this.withMine(values),
    });
    this.soon(WAIT);
  }

  /** Who types on while a choice is open means the newer words by "mine". */
  private withMine(values: Partial<V>): Keyed<V, Conflict<V[keyof V]>> {
    const conflicts = { ...this.state.conflicts };
    for (const key of Object.keys(values) as (keyof V)[]) {
      const open = conflicts[key];
      if (open) conflicts[key] = { ...open, mine: values[key] as V[keyof V] };
    }
    return conflicts;
  }

  /** The person's choice between two values of one field. */
  settleConflict(key: keyof V, whose: "mine" | "theirs"): void {
    const conflict = this.state.conflicts[key];
    if (conflict) this.settleWith(key, conflict[whose]);
  }

  /** Another value in the place of two between which the person had to choose, such as both brought together. */
  settleWith(key: keyof V, value: V[keyof V]): void {
    if (!this.state.conflicts[key]) return;
    this.set({ conflicts: without(this.state.conflicts, key) });
    this.sent.delete(key);
    this.put({ [key]: value } as unknown as Partial<V>);
    void this.flush();
  }

  /** The field was left: it may show the value as it was tidied and saved. */
  settle(key: keyof V): void {
    const text = this.state.typed[key];
    if (text !== undefined && same(text, this.state.saved[key]) && !this.state.conflicts[key]) {
      this.set({ typed: without(this.state.typed, key) });
    }
  }

  /** What the server keeps now, as read from it: others may have written meanwhile. */
  refresh(meta: M): void {
    if (this.source.revision(meta) >= this.revision) this.take(meta);
  }

  private soon(wait: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.flush(), wait);
  }

  private pending(): Partial<V> {
    return this.differing((key) => this.state.statuses[key] !== "refused" && !this.state.conflicts[key]);
  }

  /** Saves everything that was typed; done when the server has it, or has refused it. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    while (this.sending) await this.sending;
    const values = this.pending();
    const keys = Object.keys(values) as (keyof V)[];
    const typed = Object.keys(this.state.typed) as (keyof V)[];
    const idle = typed.filter((key) => this.state.statuses[key] === "typing" && !keys.includes(key));
    this.mark(idle, "saved");
    if (keys.length === 0) return;
    this.sending = this.send(values, keys).finally(() => (this.sending = undefined));
    await this.sending;
  }

  private async send(values: Partial<V>, keys: (keyof V)[]): Promise<void> {
    this.mark(keys, "saving");
    for (const key of keys) this.sent.set(key, values[key] as V[keyof V]);
    const from = this.revision;
    try {
      const meta = await this.source.write(values, from);
      const still = keys.filter((key) => this.state.typed[key] === values[key]);
      // A text stays as it was typed until its field is left; any other value shows as it was saved.
      const shown = still.filter((key) => typeof values[key] !== "string");
      const typed = shown.reduce((rest, key) => without(rest, key), this.state.typed);
      this.adopt(meta, { typed });
      this.wrote(from, this.revision);
      for (const key of keys) this.sent.delete(key);
      this.mark(still, "saved");
    } catch (error) {
      this.failed(error, keys);
    }
  }

  private adopt(meta: M, change: Partial<DocumentState<V, M>>): void {
    this.revision = this.source.revision(meta);
    this.set({ meta, saved: this.source.values(meta), ...change });
  }

  private failed(error: unknown, keys: (keyof V)[]): void {
    if (error instanceof ApiProblem && error.problem.current) {
      this.take(error.problem.current as M);
      this.soon(0);
    } else if (error instanceof ApiProblem && error.status === 422) {
      this.refused(error, keys);
    } else if (error instanceof ApiProblem && error.status === 401) {
      this.mark(keys, "signedOut");
    } else if (error instanceof NoConnection || !(error instanceof ApiProblem) || error.status >= 500) {
      this.mark(keys, "offline");
      this.soon(RETRY);
    } else {
      // Such as a role that was taken away: trying again would not help, so the reason is shown instead.
      const reason = { field: "", code: error.problem.code, message: error.message };
      this.set({ errors: { ...this.state.errors, ...each(keys, [reason]) } });
      this.mark(keys, "refused");
    }
  }

  private refused(error: ApiProblem, keys: (keyof V)[]): void {
    const named = keys.filter((key) => error.of(String(key)).length > 0);
    // A refusal that names none of the fields is of all of them: to send them again would not help.
    const wrong = named.length ? named : keys;
    const errors = Object.fromEntries(
      wrong.map((key) => [key, named.length ? error.of(String(key)) : (error.problem.errors ?? [])]),
    ) as Keyed<V, FieldError[]>;
    // Keystrokes that came meanwhile may have mended it, so only what was refused is marked so.
    const asSent = wrong.filter((key) => this.state.typed[key] === this.sent.get(key));
    this.set({ errors: { ...this.state.errors, ...errors } });
    this.mark(asSent, "refused");
    const others = keys.filter((key) => !wrong.includes(key));
    this.mark(others, "typing");
    if (Object.keys(this.pending()).length) this.soon(0);
  }

  /** Takes a newer state of the server; asks where somebody else changed a field that is being changed here. */
  private take(meta: M): void {
    const before = this.state.saved;
    const now = this.source.values(meta);
    const conflicts = { ...this.state.conflicts };
    let typed = this.state.typed;
    for (const key of Object.keys(this.state.typed) as (keyof V)[]) {
      const mine = this.state.typed[key] as V[keyof V];
      const theirs = now[key];
      // What is on its way from here may be read back before its own answer comes.
      const ours = this.sent.has(key) && same(theirs, this.sent.get(key));
      if (ours || same(theirs, before[key]) || same(theirs, mine)) continue;
      if (same(mine, before[key])) typed = without(typed, key);
      else conflicts[key] = { mine, theirs, base: conflicts[key] ? conflicts[key].base : before[key] };
    }
    this.adopt(meta, { typed, conflicts });
  }

  /** What the server does not have yet, to be laid aside if the page has to go. */
  unsaved(): Laid {
    const { saved, conflicts } = this.state;
    const base = (key: keyof V) => (conflicts[key] ? conflicts[key].base : saved[key]);
    const entries = Object.entries(this.differing(() => true));
    return Object.fromEntries(entries.map(([key, value]) => [key, { value, base: base(key as keyof V) }]));
  }

  /**
   * Takes up what was laid aside: it is saved where the server still keeps what it was typed over; where somebody else
   * wrote meanwhile, the person is asked. Gives the values that may be saved.
   */
  takeUp(laid: Laid): Partial<V> {
    const typed = { ...this.state.typed };
    const conflicts = { ...this.state.conflicts };
    const free: Partial<V> = {};
    for (const [name, one] of Object.entries(laid)) {
      const key = name as keyof V;
      const [mine, base, theirs] = [one.value, one.base, this.state.saved[key]] as V[keyof V][];
      if (!(key in this.state.saved) || key in typed || same(mine, theirs)) continue;
      if (same(base, theirs)) free[key] = mine;
      else {
        typed[key] = mine;
        conflicts[key] = { mine, theirs, base } as Conflict<V[keyof V]>;
      }
    }
    this.set({ typed, conflicts });
    return free;
  }

  private differing(counts: (key: keyof V) => boolean): Partial<V> {
    const keys = Object.keys(this.state.typed) as (keyof V)[];
    const found = keys.filter((key) => counts(key) && !same(this.state.typed[key], this.state.saved[key]));
    return Object.fromEntries(found.map((key) => [key, this.state.typed[key]])) as Partial<V>;
  }

  /** The fields whose words are not saved, as they were refused or wait for a choice. */
  notSaved(): (keyof V)[] {
    const keys = Object.keys(this.state.typed) as (keyof V)[];
    return keys.filter((key) => this.state.statuses[key] === "refused" || this.state.conflicts[key]);
  }

  /** Whether the server can't be reached, or knows us no more. */
  get behind(): boolean {
    return Object.values(this.state.statuses).some((status) => status === "offline" || status === "signedOut");
  }
}
