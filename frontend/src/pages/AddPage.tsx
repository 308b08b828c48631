import { useId, useState, type KeyboardEvent, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useAddSeveral } from "./api";
import { PageSelect } from "./PageSelect";

interface TitlesProps {
  words: string;
  onType: (words: string) => void;
  problem: ApiProblem | null;
}

/** One title a line. Enter adds the page that is named; with Shift it begins the next line, as pasting several does. */
function Titles({ words, onType, problem }: TitlesProps) {
  const { t } = useTranslation();
  const id = useId();
  const lines = words.split("\n");
  // Lines without words are no titles, and are not sent.
  const numbers = lines.flatMap((line, index) => (line.trim() ? [index + 1] : []));
  const wrong = numbers.flatMap((number, sent) =>
    (problem?.of(`titles.${String(sent + 1)}`) ?? []).map(({ message }) =>
      numbers.length > 1 ? t("addPage.line", { number, message }) : message,
    ),
  );
  function onKeyDown(event: KeyboardEvent<HTMLTextAreaElement>) {
    if (event.key !== "Enter" || event.shiftKey || event.nativeEvent.isComposing || lines.length > 1) return;
    event.preventDefault();
    event.currentTarget.form?.requestSubmit();
  }
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="font-semibold">
        {t("addPage.title")}
      </label>
      <textarea
        id={id}
        dir="auto"
        autoFocus
        rows={Math.min(12, lines.length)}
        value={words}
        aria-invalid={wrong.length > 0}
        aria-describedby={`${id}-hint ${id}-wrong`}
        className="min-h-10 w-full resize-none rounded-md border border-soft bg-paper px-3 py-2 text-[15px] aria-invalid:border-stop"
        onChange={(event) => onType(event.target.value)}
        onKeyDown={onKeyDown}
      />
      <p id={`${id}-hint`} className="text-xs text-soft">
        {t("addPage.several")}
      </p>
      <p id={`${id}-wrong`} className="text-stop" hidden={wrong.length === 0}>
        {wrong.join(" ")}
      </p>
    </div>
  );
}

/** New pages or posts from their titles; all else is said where a page is written. */
export function AddPage({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const site = useSite();
  const navigate = useNavigate();
  const add = useAddSeveral(site.slug);
  const [words, setWords] = useState("");
  const [place, setPlace] = useState("");
  const problem = add.error instanceof ApiProblem ? add.error : null;
  const titles = words.split("\n").filter((line) => line.trim());
  function submit(event: SubmitEvent) {
    event.preventDefault();
    const post = place === "post";
    add.mutate(
      { titles, kind: post ? "post" : "page", parent: post || !place ? null : Number(place) },
      {
        onSuccess: (made) => {
          onDone();
          const [first] = made;
          if (!first) return;
          const at = made.length === 1 ? `pages/${String(first.id)}` : `pages?page=${String(first.id)}`;
          void navigate(`/${site.slug}/${at}`);
        },
      },
    );
  }
  return (
    <form onSubmit={submit} className="mx-6 mb-4 grid max-w-3xl gap-3 rounded-lg border border-line p-4" noValidate>
      {!problem && <ErrorNotice error={add.error} lost={t("addPage.lost")} />}
      <Titles words={words} onType={setWords} problem={problem} />
      <PageSelect
        label={t("addPage.place")}
        value={place}
        keyOf={(page) => String(page.id)}
        others={[
          ["", t("addPage.top")],
          ["post", t("addPage.post")],
        ]}
        only="parents"
        wordsOf={(page) => t("addPage.below", { title: page.shown_title })}
        onChoose={setPlace}
        className="min-h-10 w-full rounded-md border border-soft bg-paper px-3"
      />
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={add.isPending || titles.length === 0}>
          {titles.length > 1 ? t("addPage.addMany", { count: titles.length }) : t("addPage.add")}
        </Button>
        <button type="button" className="act-link" onClick={onDone}>
          {t("event.cancel")}
        </button>
      </div>
    </form>
  );
}
