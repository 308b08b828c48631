import { autocompletion, type CompletionContext, type CompletionResult } from "@codemirror/autocomplete";
import { defaultKeymap, indentWithTab } from "@codemirror/commands";
import { defineLanguageFacet, HighlightStyle, Language, syntaxHighlighting } from "@codemirror/language";
import { EditorState, Transaction } from "@codemirror/state";
import {
  Decoration,
  EditorView,
  keymap,
  MatchDecorator,
  placeholder,
  ViewPlugin,
  type DecorationSet,
  type ViewUpdate,
} from "@codemirror/view";
import { tags } from "@lezer/highlight";
import { parser } from "@lezer/markdown";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useFieldState, useFieldText, useSite, useStore } from "../draft/hooks";
import { fieldName, type DocumentId } from "../draft/store";
import { useTranslation } from "../i18n/useTranslation";
import { upload } from "../pictures";
import { FILL_INS } from "../api/lists.gen";
import { MarkdownToolbar } from "./MarkdownToolbar";
import { bold, heading, insert, italic, link, list } from "./markdownEdits";

// What an edit is called that comes from the draft itself, not from the keyboard.
const FROM_DRAFT = "draft";

const LOOK = EditorView.theme({
  "&": { fontSize: "15px", color: "var(--ink)" },
  "&.cm-focused": { outline: "none" },
  ".cm-content": { fontFamily: "var(--font-body)", padding: "10px 0", minHeight: "12rem", caretColor: "var(--ink)" },
  ".cm-scroller": { lineHeight: "1.6" },
  ".cm-line": { padding: "0 12px" },
  ".cm-fill-in": {
    background: "var(--act-soft)",
    border: "1px solid var(--act)",
    borderRadius: "999px",
    padding: "0 7px",
    fontFamily: "var(--font-code)",
    fontSize: "0.86em",
  },
  ".cm-placeholder": { color: "var(--soft)" },
  ".cm-tooltip": { background: "var(--paper)", color: "var(--ink)", border: "1px solid var(--line)" },
  ".cm-tooltip-autocomplete ul li[aria-selected]": { background: "var(--act-soft)", color: "var(--ink)" },
});

// The parser by itself: the usual package brings three languages of programs along.
const MARKDOWN = new Language(defineLanguageFacet(), parser, [], "markdown");
const WEIGHTS = HighlightStyle.define([
  { tag: tags.heading, fontWeight: "650" },
  { tag: tags.strong, fontWeight: "650" },
  { tag: tags.emphasis, fontStyle: "italic" },
  { tag: [tags.link, tags.url], color: "var(--act)" },
  { tag: tags.processingInstruction, color: "var(--soft)" },
]);

/** Offers the fill-ins as soon as a brace is typed. */
function fillIns(means: (name: string) => string) {
  return (context: CompletionContext): CompletionResult | null => {
    const typed = context.matchBefore(/\{[\w:-]*$/);
    if (!typed) return null;
    return {
      from: typed.from,
      options: FILL_INS.map((fill) => ({ label: `{${fill.text}}`, detail: means(fill.name), type: "variable" })),
      validFor: /^\{[\w:-]*$/,
    };
  };
}

const CHIP = new MatchDecorator({
  regexp: new RegExp(`\\{(?:${FILL_INS.map(({ name }) => name).join("|")})(?::[^{}\\n]*)?\\}`, "g"),
  decoration: Decoration.mark({ class: "cm-fill-in" }),
});

/** Draws each fill-in as a chip, which the arrow keys pass and Backspace takes as one. */
const CHIPS = ViewPlugin.fromClass(
  class {
    chips: DecorationSet;

    constructor(view: EditorView) {
      this.chips = CHIP.createDeco(view);
    }

    update(update: ViewUpdate) {
      this.chips = CHIP.updateDeco(update, this.chips);
    }
  },
  {
    decorations: (plugin) => plugin.chips,
    provide: (plugin) => EditorView.atomicRanges.of((view) => view.plugin(plugin)?.chips ?? Decoration.none),
  },
);

const KEYS = keymap.of([
  { key: "Mod-b", run: bold },
  { key: "Mod-i", run: italic },
  { key: "Mod-Shift-h", run: heading },
  { key: "Mod-Shift-8", run: list },
  { key: "Mod-Shift-k", run: link },
]);

/** The part of a text in which another differs: the cursor stays where it is in all else. */
function smallest(old: string, said: string): { from: number; to: number; insert: string } {
  const most = Math.min(old.length, said.length);
  let from = 0;
  while (from < most && old[from] === said[from]) from++;
  let same = 0;
  while (same < most - from && old[old.length - 1 - same] === said[said.length - 1 - same]) same++;
  return { from, to: old.length - same, insert: said.slice(from, said.length - same) };
}

interface Props {
  document: DocumentId;
  field: string;
  labelledBy: string;
  describedBy: string;
  language: string;
}

/** A text in Markdown: what is typed goes to the draft, and what the draft says (an undo, another's words) comes here. */
export function MarkdownEditor({ document, field, labelledBy, describedBy, language }: Props) {
  const { t } = useTranslation();
  const store = useStore();
  const site = useSite();
  const text = useFieldText(document, field);
  const { errors } = useFieldState(document, field);
  const element = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  const first = useRef(text);
  const words = useRef(t);
  const [taking, setTaking] = useState("");
  const queries = useQueryClient();

  useEffect(() => {
    words.current = t;
  }, [t]);

  useEffect(() => {
    /** Pictures that are dropped or pasted are uploaded, and put where they were dropped. */
    function takePictures(from: DataTransfer | null, event: DragEvent | ClipboardEvent, editor: EditorView): boolean {
      const files = [...(from?.files ?? [])].filter((file) => file.type.startsWith("image/"));
      if (!files.length) return false;
      event.preventDefault();
      const at = event instanceof DragEvent ? editor.posAtCoords({ x: event.clientX, y: event.clientY }) : null;
      if (at !== null) editor.dispatch({ selection: { anchor: at } });
      void (async () => {
        for (const file of files) {
          setTaking(words.current("editor.dropping", { name: file.name }));
          try {
            const { picture } = await upload(site.slug, file, () => undefined);
            insert(editor, picture.markdown, true);
            setTaking("");
          } catch (error) {
            setTaking(words.current("editor.dropFailed", { why: (error as Error).message }));
          }
        }
        await queries.invalidateQueries({ queryKey: ["pictures", site.slug] });
      })();
      return true;
    }
    const parent = element.current;
    if (!parent) return;
    const nonce = window.document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
    const made = new EditorView({
      parent,
      state: EditorState.create({
        doc: first.current,
        extensions: [
          ...(nonce ? [EditorView.cspNonce.of(nonce)] : []),
          LOOK,
          EditorView.lineWrapping,
          MARKDOWN,
          CHIPS,
          syntaxHighlighting(WEIGHTS),
          KEYS,
          keymap.of(defaultKeymap.filter(({ key }) => key !== indentWithTab.key)),
          placeholder(words.current("page.bodyEmpty")),
          autocompletion({ override: [fillIns((name) => words.current(`fillIn.${name}`))], icons: false }),
          EditorView.contentAttributes.of({
            "aria-labelledby": labelledBy,
            "aria-describedby": describedBy,
            "data-field": fieldName(document, field),
            dir: "auto",
            lang: language,
            spellcheck: "true",
          }),
          EditorView.updateListener.of((update) => {
            const typed = update.transactions.some(
              (one) => !one.annotation(Transaction.userEvent)?.startsWith(FROM_DRAFT),
            );
            if (update.docChanged && typed) store.type(document, field, update.state.doc.toString());
          }),
          EditorView.domEventHandlers({
            blur: () => store.document(document).settle(field),
            drop: (event, view) => takePictures(event.dataTransfer, event, view),
            paste: (event, view) => takePictures(event.clipboardData, event, view),
          }),
        ],
      }),
    });
    view.current = made;
    return () => made.destroy();
  }, [document, field, labelledBy, describedBy, language, store, site.slug, queries]);

  useEffect(() => {
    const made = view.current;
    const now = made?.state.doc.toString();
    if (!made || now === text) return;
    made.dispatch({ changes: smallest(now ?? "", text), userEvent: FROM_DRAFT });
  }, [text]);

  return (
    <div className={`rounded-md border bg-paper ${errors.length ? "border-stop" : "border-soft"}`}>
      <MarkdownToolbar site={site.slug} view={() => view.current} />
      <div ref={element} className="max-h-[32rem] overflow-y-auto" />
      <p role="status" className="px-2 text-xs text-soft empty:hidden">
        {taking}
      </p>
    </div>
  );
}
