import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { save } from "../api/upload";
import { SPOKEN } from "../api/lists.gen";
import { ROWS } from "../draft/facts";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { PageSelect, usePageChoices } from "../pages";
import { MomentChoice } from "../proofs/MomentChoice";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { Button } from "../ui/Button";
import { QueryBoundary } from "../ui/QueryBoundary";
import { Select } from "../ui/Select";
import { ViewHead } from "../ui/ViewHead";
import { Notice } from "../ui/Notice";
import { Board } from "./Board";
import { pictureOf } from "./picture";

const SOURCES = ["draft", "live", "both"] as const;
type Source = (typeof SOURCES)[number];
const DRAWN_ROWS = ROWS.filter((row) => row.slots.length > 0);

interface SideProps {
  title: string;
  path: string;
  at: string;
  edition: number | null;
  fact: string;
  language: string;
}

function Side({ title, path, at, edition, fact, language }: SideProps) {
  return (
    <section aria-label={title} className="min-w-0 flex-1 basis-80">
      <h2 className="mb-3 text-[15.5px] font-semibold">{title}</h2>
      <ProofsProvider site={useSite().slug} path={path} at={at} edition={edition} language={language}>
        <Board fact={fact} />
      </ProofsProvider>
    </section>
  );
}

/** The languages that sites have words of their own in, as the desk's language calls them. */
function languagesIn(desk: string): [string, string][] {
  const names = new Intl.DisplayNames(desk, { type: "language" });
  const found = SPOKEN.map((tag): [string, string] => [tag, names.of(tag) ?? tag]);
  return found.sort(([, one], [, other]) => one.localeCompare(other, desk));
}

/** Every place at once, for a chosen page and moment, of the draft, of what is live, or of both. */
export function BoardView() {
  const { t, i18n } = useTranslation();
  const site = useSite();
  const pages = usePageChoices(site.slug);
  const [path, setPath] = useState("/");
  const [at, setAt] = useState("");
  const [fact, setFact] = useState("");
  const [language, setLanguage] = useState("");
  const [source, setSource] = useState<Source>("draft");
  const live = site.live_number;
  const board = useRef<HTMLDivElement>(null);
  const draw = useMutation({
    mutationFn: async () => board.current && save(await pictureOf(board.current), `${site.slug}-proofs.png`),
  });
  const facts = DRAWN_ROWS.map((row): [string, string] => [row.key, t(`factName.${row.key}`)]);
  const sides: SideProps[] = [
    ...(source === "live" ? [] : [{ title: t("board.draftTitle"), path, at, edition: null, fact, language }]),
    ...(source === "draft" || !live
      ? []
      : [{ title: t("board.liveTitle", { number: live }), path, at, edition: live, fact, language: "" }]),
  ];
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("view.proofs")} lead={t("board.lead")} />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2.5 px-6 pb-4 [&_label]:first-letter:uppercase print:hidden">
        {pages.data && (
          <PageSelect label={t("sheet.onPage")} value={path} keyOf={(page) => page.path} onChoose={setPath} />
        )}
        <Select
          label={t("board.fact")}
          value={fact}
          onChoose={setFact}
          options={[["", t("board.anyFact")], ...facts]}
        />
        <Select
          label={t("board.of")}
          value={source}
          onChoose={(chosen) => setSource(chosen as Source)}
          options={(live ? SOURCES : SOURCES.slice(0, 1)).map((one) => [one, t(`board.${one}`)])}
        />
        <Select
          label={t("board.language")}
          value={language}
          onChoose={setLanguage}
          options={[["", t("board.ownLanguage")], ...languagesIn(i18n.language)]}
        />
        <MomentChoice at={at} onChoose={setAt} />
        <Button variant="quiet" onClick={() => print()}>
          {t("board.print")}
        </Button>
        <Button variant="quiet" disabled={draw.isPending || !pages.data} onClick={() => draw.mutate()}>
          {t(draw.isPending ? "board.drawing" : "board.picture")}
        </Button>
      </div>
      {draw.error && (
        <div className="px-6 pb-4">
          <Notice tone="stop">{t("board.notDrawn")}</Notice>
        </div>
      )}
      <QueryBoundary query={pages}>
        {() => (
          <div ref={board} className="dotted flex flex-wrap gap-x-8 gap-y-8 border-t border-line bg-paper px-6 py-6">
            {sides.map((side) => (
              <Side key={String(side.edition)} {...side} />
            ))}
          </div>
        )}
      </QueryBoundary>
    </div>
  );
}
