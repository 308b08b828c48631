import type { Facts, PageFields, PageFull, Style } from "../api/client";
import { DraftDocument, same, type DocumentSource, type DocumentState } from "./document";

export type FactsDocument = DraftDocument<Facts, Style>;
export type PageDocument = DraftDocument<PageFields, PageFull>;
export type DocumentId = "facts" | `page:${number}`;

/** A field of a document. */
export interface FieldRef {
  document: DocumentId;
  key: string;
}

export type Values = Record<string, unknown>;

/** What one undo takes back: the values of one field, or of several of one document that were chosen together. */
interface Step {
  document: DocumentId;
  before: Values;
  after: Values;
}

/** A document, whichever it is. */
export interface AnyDocument {
  readonly state: DocumentState<Values, unknown>;
  value(key: string): unknown;
  settle(key: string): void;
  settleConflict(key: string, whose: "mine" | "theirs"): void;
  put(values: Values): void;
  flush(): Promise<void>;
}

/** The store's way to the server. */
export interface Backend {
  facts: (values: Partial<Facts>, revision: number) => Promise<Style>;
  page: (id: number, values: Partial<PageFields>, revision: number) => Promise<PageFull>;
}

const SAME_STEP = 1_000;

/** What an attribute says to find a field in the page by. */
export function fieldName(document: DocumentId, key: string): string {
  return document === "facts" ? key : `${document}.${key}`;
}

function pageFields(page: PageFull): PageFields {
  const { path, title, body, kind, menu_title, summary, in_menu, order } = page;
  return {
    path,
    title,
    body,
    kind,
    menu_title,
    summary,
    in_menu,
    order,
    parent: page.parent ?? null,
    published: page.published ?? null,
    schedule: page.schedule ?? null,
  };
}

/** All documents of a site's draft that are open in this browser, with one history of undo. */
export class DraftStore {
  readonly facts: FactsDocument;
  private readonly pages = new Map<number, PageDocument>();
  private readonly listeners = new Set<() => void>();
  private readonly done: Step[] = [];
  private readonly undone: Step[] = [];
  private lastTyped = -Infinity;

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
    for (const document of [this.facts, ...this.pages.values()]) {
      if (document.revision === from) document.revision = to;
    }
  };

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
    this.changed();
    return made;
  }

  /** An open page; undefined while it is not open. */
  page(id: number): PageDocument | undefined {
    return this.pages.get(id);
  }

  /** An open document. */
  document(id: DocumentId): AnyDocument {
    const found = id === "facts" ? this.facts : this.pages.get(Number(id.slice("page:".length)));
    if (!found) throw new Error(`The document ${id} is not open; open it with \`openPage\`.`);
    return found as unknown as AnyDocument;
  }

  private push(step: Step): void {
    this.done.push(step);
    this.undone.length = 0;
  }

  /** A keystroke in a field. Keystrokes in a row are one step to undo. */
  type(id: DocumentId, key: string, text: string): void {
    const document = this.document(id);
    const before = String(document.value(key) ?? "");
    if (text === before) return;
    const last = this.done.at(-1);
    const now = this.now();
    if (last?.document === id && key in last.after && now - this.lastTyped < SAME_STEP) last.after[key] = text;
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
    if (sliding && near && last?.document === id && keys.every((key) => key in last.after))
      Object.assign(last.after, step.after);
    else this.push(step);
    this.undone.length = 0;
    this.lastTyped = sliding ? this.now() : -Infinity;
    document.put(step.after);
  }

  /** Takes the last step back; says which field it was. */
  undo(): FieldRef | undefined {
    return this.step(this.done, this.undone, (step) => step.before);
  }

  /** Makes the last step that was taken back again. */
  redo(): FieldRef | undefined {
    return this.step(this.undone, this.done, (step) => step.after);
  }

  private step(from: Step[], to: Step[], values: (step: Step) => Values): FieldRef | undefined {
    const step = from.pop();
    if (!step) return undefined;
    to.push(step);
    this.lastTyped = -Infinity;
    this.document(step.document).put(values(step));
    return { document: step.document, key: Object.keys(step.after)[0] ?? "" };
  }

  get canUndo(): boolean {
    return this.done.length > 0;
  }

  get canRedo(): boolean {
    return this.undone.length > 0;
  }

  /** Makes a fact say again what the live edition says. */
  putBack(key: keyof Facts): void {
    const live = this.facts.state.meta.live_facts;
    if (!live) return;
    this.lastTyped = -Infinity;
    this.choose("facts", { [key]: live[key] });
    void this.facts.flush();
  }

  /** Saves everything that was typed in any document. */
  async flush(): Promise<void> {
    await Promise.all([this.facts, ...this.pages.values()].map((document) => document.flush()));
  }

  /** Whether anything waits because the server can't be reached, or knows us no more. */
  get behind(): boolean {
    return [this.facts, ...this.pages.values()].some((document) => document.behind);
  }
}
