import type { Facts, PageFields, PageFull, Style } from "../api/client";
import { NoConnection } from "../api/problem";
import { cellValues, type TitleCells, type TitleTable } from "./titles";
import { asText, DraftDocument, same, type DocumentSource, type DocumentState, type Laid } from "./document";

export type FactsDocument = DraftDocument<Facts, Style>;
export type PageDocument = DraftDocument<PageFields, PageFull>;
export type TitlesDocument = DraftDocument<TitleCells, TitleTable>;
export type DocumentId = "facts" | "titles" | `page:${number}`;

/** A field of a document. */
export interface FieldRef {
  document: DocumentId;
  key: string;
}

export type Values = Record<string, unknown>;

/** What one undo takes back: the values of one field, or of several of one document that were chosen together. */
interface ValuesStep {
  document: DocumentId;
  before: Values;
  after: Values;
}

/** What was done on the server at once, such as moving a page, with the way back. */
interface Deed {
  undo: () => Promise<void>;
  redo: () => Promise<void>;
}

type Step = ValuesStep | Deed;

/** A document, whichever it is. */
export interface AnyDocument {
  readonly state: DocumentState<Values, unknown>;
  value(key: string): unknown;
  settle(key: string): void;
  settleConflict(key: string, whose: "mine" | "theirs"): void;
  settleWith(key: string, value: unknown): void;
  put(values: Values): void;
  unsaved(): Laid;
  takeUp(laid: Laid): Values;
  flush(): Promise<void>;
}

/** What was laid aside of each document. */
export type Aside = Partial<Record<DocumentId, Laid>>;

/** The store's way to the server. */
export interface Backend {
  facts: (values: Partial<Facts>, revision: number) => Promise<Style>;
  page: (id: number, values: Partial<PageFields>, revision: number) => Promise<PageFull>;
  titles: (cells: Partial<TitleCells>, table: TitleTable, revision: number) => Promise<TitleTable>;
}

const SAME_STEP = 1_000;

/** What an attribute says to find a field in the page by. */
export function fieldName(document: DocumentId, key: string): string {
  return document === "facts" ? key : `${document}.${key}`;
}

function pageFields(page: PageFull): PageFields {
  const { path, title, own_title, body, kind, menu_title, summary, in_menu, order } = page;
  return {
    path,
    title,
    own_title,
    body,
    kind,
    menu_title,
    summary,
    in_menu,
    order,
    parent: page.parent ?? null,
    published: page.published ?? null,
    published_at: page.published_at ?? null,
    schedule: page.schedule ?? null,
    left_out: page.left_out,
    shows_heading: page.shows_heading,
  };
}

/** All documents of a site's draft that are open in this browser, with one history of undo. */
export class DraftStore {
  readonly facts: FactsDocument;
  /** The house style as it was when the desk was opened. */
  readonly opened: Style;
  private readonly pages = new Map<number, PageDocument>();
  private table: TitlesDocument | undefined;
  private readonly listeners = new Set<() => void>();
  private readonly done: Step[] = [];
  private readonly undone: Step[] = [];
  private lastTyped = -Infinity;
  /** The way that the last step could not go, as what it brought was changed since. */
  refused: "undo" | "redo" | undefined;
  /** What was laid aside of documents that are not open yet. */
  private waiting: Aside = {};

  constructor(
    style: Style,
    private readonly backend: Backend,
    private readonly now: () => number = Date.now,
  ) {
    const source: DocumentSource<Facts, Style> = {
      values: (meta) => meta.facts,
      revision: (meta) => meta.revision,
      write: (values, revision) => backend.facts(values, revision),
    };
    this.opened = style;
    this.facts = new DraftDocument(style, source, this.changed, this.advance);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private readonly changed = (): void => {
    for (const listener of this.listeners) listener();
  };

  /** A write of one document raises the revision of the whole draft, which others that were up to date then are again. */
  private readonly advance = (from: number, to: number): void => {
    for (const document of this.all) {
      if (document.revision === from) document.revision = to;
    }
  };

  private get all() {
    return [this.facts, ...(this.table ? [this.table] : []), ...this.pages.values()];
  }

  /** Opens the table of titles, or takes a newer state of it. */
  openTitles(table: TitleTable): TitlesDocument {
    if (this.table) {
      this.table.refresh(table);
      this.takeUpIn("titles");
      return this.table;
    }
    const source: DocumentSource<TitleCells, TitleTable> = {
      values: cellValues,
      revision: (meta) => meta.revision,
      write: (cells, revision) => this.backend.titles(cells, this.table?.state.meta ?? table, revision),
    };
    this.table = new DraftDocument(table, source, this.changed, this.advance);
    this.takeUpIn("titles");
    this.changed();
    return this.table;
  }

  /** The table of titles; undefined while it is not open. */
  get titles(): TitlesDocument | undefined {
    return this.table;
  }

  /** Opens a page, as it was read from the server. */
  openPage(page: PageFull): PageDocument {
    const open = this.pages.get(page.id);
    if (open) {
      open.refresh(page);
      return open;
    }
    const source: DocumentSource<PageFields, PageFull> = {
      values: pageFields,
      revision: (meta) => meta.revision,
      write: (values, revision) => this.backend.page(page.id, values, revision),
    };
    const made = new DraftDocument(page, source, this.changed, this.advance);
    this.pages.set(page.id, made);
    this.takeUpIn(`page:${page.id}`);
    this.changed();
    return made;
  }

  /** An open page; undefined while it is not open. */
  page(id: number): PageDocument | undefined {
    return this.pages.get(id);
  }

  /** An open document. */
  document(id: DocumentId): AnyDocument {
    const apart = id === "facts" ? this.facts : this.table;
    const found = id === "facts" || id === "titles" ? apart : this.pages.get(Number(id.slice("page:".length)));
    if (!found) throw new Error(`The document ${id} is not open; open it first.`);
    return found;
  }

  private push(step: Step): void {
    this.done.push(step);
    this.undone.length = 0;
  }

  /** A keystroke in a field. Keystrokes in a row are one step to undo. */
  type(id: DocumentId, key: string, text: string): void {
    const document = this.document(id);
    const before = asText(document.value(key));
    if (text === before) return;
    const last = this.done.at(-1);
    const now = this.now();
    if (last && "document" in last && last.document === id && key in last.after && now - this.lastTyped < SAME_STEP)
      last.after[key] = text;
    else this.push({ document: id, before: { [key]: before }, after: { [key]: text } });
    this.undone.length = 0;
    this.lastTyped = now;
    document.put({ [key]: text });
  }

  /** A choice of one or more values at once, which is one step to undo. With `sliding`, choices in a row are one. */
  choose(id: DocumentId, values: Values, sliding = false): void {
    const document = this.document(id);
    const keys = Object.keys(values).filter((key) => !same(values[key], document.value(key)));
    if (!keys.length) return;
    const pick = (from: (key: string) => unknown) => Object.fromEntries(keys.map((key) => [key, from(key)]));
    const step = { document: id, before: pick((key) => document.value(key)), after: pick((key) => values[key]) };
    const last = this.done.at(-1);
    const near = this.now() - this.lastTyped < SAME_STEP;
    if (sliding && near && last && "document" in last && last.document === id && keys.every((key) => key in last.after))
      Object.assign(last.after, step.after);
    else this.push(step);
    this.undone.length = 0;
    this.lastTyped = sliding ? this.now() : -Infinity;
    document.put(step.after);
  }

  /** The server changed facts at once, such as by copying them: one step to undo, by writing what was before. */
  noted(before: Facts, style: Style): void {
    this.facts.refresh(style);
    const keys = (Object.keys(style.facts) as (keyof Facts)[]).filter((key) => !same(before[key], style.facts[key]));
    if (!keys.length) return;
    const pick = (facts: Facts) => Object.fromEntries(keys.map((key) => [key, facts[key]]));
    this.push({ document: "facts", before: pick(before), after: pick(style.facts) });
    this.lastTyped = -Infinity;
    this.changed();
  }

  /** Something was done on the server at once; undoing it is done there, too. */
  did(deed: Deed): void {
    this.push(deed);
    this.lastTyped = -Infinity;
    this.changed();
  }

  /** Takes the last step back; says which field it was. */
  undo(): FieldRef | undefined {
    return this.step(this.done, this.undone, "undo");
  }

  /** Makes the last step that was taken back again. */
  redo(): FieldRef | undefined {
    return this.step(this.undone, this.done, "redo");
  }

  private step(from: Step[], to: Step[], way: "undo" | "redo"): FieldRef | undefined {
    const step = from.pop();
    if (!step) return undefined;
    to.push(step);
    this.refused = undefined;
    this.lastTyped = -Infinity;
    if (!("document" in step)) {
      step[way]()
        .catch((error: unknown) => {
          const at = to.indexOf(step);
          if (at >= 0) to.splice(at, 1);
          // Without an answer it may be tried again; what the server refuses it would refuse again.
          if (error instanceof NoConnection) from.push(step);
          else this.refused = way;
        })
        .finally(this.changed);
      this.changed();
      return undefined;
    }
    this.document(step.document).put(way === "undo" ? step.before : step.after);
    return { document: step.document, key: Object.keys(step.after)[0] ?? "" };
  }

  get canUndo(): boolean {
    return this.done.length > 0;
  }

  get canRedo(): boolean {
    return this.undone.length > 0;
  }

  /** Makes a fact say again what it said. */
  putBack(key: keyof Facts, value: unknown): void {
    this.lastTyped = -Infinity;
    this.choose("facts", { [key]: value });
    void this.facts.flush();
  }

  /** Takes up what was laid aside at another visit: at once in what is open, else once it is opened. */
  takeUp(aside: Aside): void {
    this.waiting = { ...aside, ...this.waiting };
    for (const id of this.ids) this.takeUpIn(id);
  }

  private takeUpIn(id: DocumentId): void {
    const laid = this.waiting[id];
    if (!laid) return;
    const document = this.document(id);
    // Of the table not all is read at once: what lies in rows that are still to come goes on waiting.
    const unread = Object.entries(laid).filter(([key]) => id === "titles" && !(key in document.state.saved));
    if (unread.length === Object.keys(laid).length) return;
    Reflect.deleteProperty(this.waiting, id);
    if (unread.length) this.waiting[id] = Object.fromEntries(unread);
    const free = document.takeUp(laid);
    if (Object.keys(free).length) this.choose(id, free);
  }

  /** All that the server does not have, of each document; what waits to be taken up is among it. */
  aside(): Aside {
    const open = this.ids.map((id) => [id, { ...this.waiting[id], ...this.document(id).unsaved() }] as const);
    return { ...this.waiting, ...Object.fromEntries(open.filter(([, laid]) => Object.keys(laid).length)) };
  }

  /** The pages of which something waits to be taken up. */
  get waitingPages(): number[] {
    const pages = Object.keys(this.waiting).filter((id) => id.startsWith("page:"));
    return pages.map((id) => Number(id.slice("page:".length)));
  }

  private get ids(): DocumentId[] {
    const pages = [...this.pages.keys()].map((id): DocumentId => `page:${id}`);
    return ["facts", ...(this.table ? (["titles"] as const) : []), ...pages];
  }

  /** Saves everything that was typed in any document. */
  async flush(): Promise<void> {
    await Promise.all(this.all.map((document) => document.flush()));
  }

  /** Whether anything waits because the server can't be reached, or knows us no more. */
  get behind(): boolean {
    return this.all.some((document) => document.behind);
  }
}
