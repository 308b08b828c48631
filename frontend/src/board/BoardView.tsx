import { useState } from "react";
import { useTranslation } from "react-i18next";
import { BANDS } from "../draft/facts";
import { useSite } from "../draft/hooks";
import { usePages } from "../pages";
import { MomentChoice } from "../proofs/MomentChoice";
import { PageChoice } from "../proofs/PageChoice";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { Button } from "../ui/Button";
import { QueryBoundary } from "../ui/QueryBoundary";
import { Select } from "../ui/Select";
import { ViewHead } from "../ui/ViewHead";
import { Board } from "./Board";

const SOURCES = ["draft", "live", "both"] as const;
type Source = (typeof SOURCES)[number];
const DRAWN_ROWS = BANDS.flatMap((band) => band.rows).filter((row) => row.slots.length > 0);

interface SideProps {
  title: string;
  path: string;
  at: string;
  edition: number | null;
  fact: string;
}

function Side({ title, path, at, edition, fact }: SideProps) {
  return (
    <section aria-label={title} className="min-w-0 flex-1 basis-80">
      <h2 className="mb-3 text-[15.5px] font-semibold">{title}</h2>
      <ProofsProvider site={useSite().slug} path={path} at={at} edition={edition}>
        <Board fact={fact} />
      </ProofsProvider>
    </section>
  );
}

/** Every place at once, for a chosen page and moment, of the draft, of what is live, or of both. */
export function BoardView() {
  const { t } = useTranslation();
  const site = useSite();
  const pages = usePages(site.slug);
  const [path, setPath] = useState("/");
  const [at, setAt] = useState("");
  const [fact, setFact] = useState("");
  const [source, setSource] = useState<Source>("draft");
  const live = site.live_number;
  const facts = DRAWN_ROWS.map((row): [string, string] => [row.key, t(`fact.${row.key}.name`)]);
  const sides: SideProps[] = [
    ...(source === "live" ? [] : [{ title: t("board.draftTitle"), path, at, edition: null, fact }]),
    ...(source === "draft" || !live
      ? []
      : [{ title: t("board.liveTitle", { number: live }), path, at, edition: live, fact }]),
  ];
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("view.proofs")} lead={t("board.lead")} />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2.5 px-6 pb-4 [&_label]:first-letter:uppercase print:hidden">
        {pages.data && <PageChoice pages={pages.data} path={path} onChoose={setPath} />}
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
        <MomentChoice at={at} onChoose={setAt} />
        <Button variant="quiet" onClick={() => print()}>
          {t("board.print")}
        </Button>
      </div>
      <QueryBoundary query={pages}>
        {() => (
          <div className="dotted flex flex-wrap gap-x-8 gap-y-8 border-t border-line px-6 py-6">
            {sides.map((side) => (
              <Side key={String(side.edition)} {...side} />
            ))}
          </div>
        )}
      </QueryBoundary>
    </div>
  );
}
