import { EditorSelection, type ChangeSpec } from "@codemirror/state";
import type { EditorView } from "@codemirror/view";

/** Puts marks around what is chosen, or takes them off where they are; with nothing chosen, around the caret. */
function around(view: EditorView, mark: string): boolean {
  const { state } = view;
  view.dispatch(
    state.changeByRange((range) => {
      const from = range.from - mark.length;
      const has =
        state.sliceDoc(from, range.from) === mark && state.sliceDoc(range.to, range.to + mark.length) === mark;
      const changes: ChangeSpec[] = has
        ? [
            { from, to: range.from },
            { from: range.to, to: range.to + mark.length },
          ]
        : [
            { from: range.from, insert: mark },
            { from: range.to, insert: mark },
          ];
      const moved = has ? -mark.length : mark.length;
      return { changes, range: EditorSelection.range(range.anchor + moved, range.head + moved) };
    }),
    { userEvent: "input", scrollIntoView: true },
  );
  view.focus();
  return true;
}

/** Puts a mark before each chosen line, or takes it off where all have it. */
function before(view: EditorView, mark: string): boolean {
  const { state } = view;
  const { from, to } = state.selection.main;
  const lines = [];
  for (let at = state.doc.lineAt(from).number; at <= state.doc.lineAt(to).number; at++) lines.push(state.doc.line(at));
  const all = lines.every((line) => line.text.startsWith(mark));
  view.dispatch({
    changes: lines.map((line) =>
      all ? { from: line.from, to: line.from + mark.length } : { from: line.from, insert: mark },
    ),
    userEvent: "input",
  });
  view.focus();
  return true;
}

export const bold = (view: EditorView) => around(view, "**");
export const italic = (view: EditorView) => around(view, "*");
export const heading = (view: EditorView) => before(view, "## ");
export const list = (view: EditorView) => before(view, "- ");

/** Makes a link of what is chosen, and chooses the place for its address. */
export function link(view: EditorView): boolean {
  const { from, to } = view.state.selection.main;
  const words = view.state.sliceDoc(from, to);
  const begin = from + words.length + 3;
  view.dispatch({
    changes: { from, to, insert: `[${words}](https://)` },
    selection: EditorSelection.range(begin, begin + 8),
    userEvent: "input",
  });
  view.focus();
  return true;
}

/** Puts a text where the caret is, a block of its own where it is to be one. */
export function insert(view: EditorView, text: string, block = false): void {
  const { from, to } = view.state.selection.main;
  const line = view.state.doc.lineAt(from);
  const put = block ? `${from > line.from ? "\n\n" : ""}${text}\n\n` : text;
  view.dispatch({ changes: { from, to, insert: put }, selection: { anchor: from + put.length }, userEvent: "input" });
  view.focus();
}
