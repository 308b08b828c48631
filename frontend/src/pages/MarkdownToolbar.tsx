import type { EditorView } from "@codemirror/view";
import { Bold, Heading2, Italic, Link2, List } from "lucide-react";
import { useTranslation } from "../i18n/useTranslation";
import { usePictures } from "../pictures";
import { FILL_INS } from "../api/lists.gen";
import { PageSelect } from "./PageSelect";
import { bold, heading, insert, italic, link, list } from "./markdownEdits";

const TOOLS = [
  ["bold", Bold, bold, "Control+B"],
  ["italic", Italic, italic, "Control+I"],
  ["heading", Heading2, heading, "Control+Shift+H"],
  ["list", List, list, "Control+Shift+8"],
  ["link", Link2, link, "Control+Shift+K"],
] as const;
const SELECT = "max-w-36 rounded-sm bg-paper px-1 py-1 text-soft hover:text-ink";

interface PutProps {
  name: "picture" | "fillIn";
  choices: { key: string; words: string; text: string }[];
  onPut: (text: string) => void;
}

/** A list from which something is put into the text. */
function Put({ name, choices, onPut }: PutProps) {
  const { t } = useTranslation();
  if (!choices.length) return null;
  return (
    <select
      aria-label={t(`editor.put.${name}`)}
      className={SELECT}
      value=""
      onChange={(event) => {
        const chosen = choices.find((one) => one.key === event.target.value);
        if (chosen) onPut(chosen.text);
      }}
    >
      <option value="">{t(`editor.put.${name}`)}</option>
      {choices.map((one) => (
        <option key={one.key} value={one.key}>
          {one.words}
        </option>
      ))}
    </select>
  );
}

/** What a text can be given without knowing how it is written: each also has its keys. */
export function MarkdownToolbar({ site, view }: { site: string; view: () => EditorView | null }) {
  const { t } = useTranslation();
  const pictures = usePictures(site).data?.pictures ?? [];
  const put = (text: string, block = false) => {
    const now = view();
    if (now) insert(now, text, block);
  };
  return (
    <div
      role="toolbar"
      aria-label={t("editor.tools")}
      className="flex flex-wrap items-center gap-1 border-b border-line p-1"
    >
      {TOOLS.map(([name, Icon, run, keys]) => (
        <button
          key={name}
          type="button"
          aria-label={t(`editor.${name}`)}
          aria-keyshortcuts={keys}
          title={`${t(`editor.${name}`)} (${keys.replace("Control", "Ctrl")})`}
          className="grid size-8 place-items-center rounded-sm text-soft hover:bg-board hover:text-ink"
          onClick={() => {
            const now = view();
            if (now) run(now);
          }}
        >
          <Icon size={16} aria-hidden />
        </button>
      ))}
      <PageSelect
        label={t("editor.put.page")}
        hideLabel
        value=""
        keyOf={(page) => String(page.id)}
        others={[["", t("editor.put.page")]]}
        onChoose={(_, page) => page && put(`[${page.shown_title}](${page.path})`)}
        className={SELECT}
      />
      <Put
        name="picture"
        choices={pictures.map((one) => ({ key: String(one.id), words: one.title || one.name, text: one.markdown }))}
        onPut={(text) => put(text, true)}
      />
      <Put
        name="fillIn"
        choices={FILL_INS.map((fill) => ({
          key: fill.name,
          words: t(`fillIn.${fill.name}`),
          text: `{${fill.text}}`,
        }))}
        onPut={put}
      />
    </div>
  );
}
