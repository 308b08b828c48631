import type { Schemas } from "../api/client";
import { asText } from "../draft/document";
import { useSelect, useSite, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useSettled } from "../ui/useSettled";
import { usePassages, usePutBack, type Passages } from "./passages";

type Words = Schemas["WordsOut"];

/** Words that are gone, new, or in both; told also to those who don't see the marks. */
function Marked({ where, text }: Words) {
  const { t } = useTranslation();
  if (where === "both") return text;
  if (where === "old")
    return (
      <del className="text-soft decoration-1">
        <span className="unseen">{t("pageChanges.gone")} </span>
        {text}
      </del>
    );
  return (
    <ins className="rounded-xs bg-act-soft font-semibold no-underline">
      <span className="unseen">{t("pageChanges.new")} </span>
      {text}
    </ins>
  );
}

interface SpotProps {
  name: string;
  words: Words[];
  /** Makes it say again what is live; none, for somebody who may not write. */
  onRestore: (() => void) | null;
}

/** One line or passage that differs. */
function Spot({ name, words, onRestore }: SpotProps) {
  const { t } = useTranslation();
  // Whole texts stand below each other, words within a text beside each other.
  const asLines = words.every(({ where }) => where !== "both");
  return (
    <li className="grid gap-1 py-3">
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <span className="text-xs text-soft">{name}</span>
        {onRestore && (
          <ActionLink onClick={onRestore}>
            {t("pageChanges.restore")}
            <span className="unseen">: {name}</span>
          </ActionLink>
        )}
      </p>
      <p dir="auto" className="break-words whitespace-pre-wrap">
        {words.map((one, index) => (
          <span key={index} className={asLines ? "block" : undefined}>
            <Marked {...one} />
          </span>
        ))}
      </p>
    </li>
  );
}

interface Props {
  page: number;
  mayEdit: boolean;
}

/** What differs, spot by spot, in the order of the page; what stays is counted. */
function Spots({ page, found, body, mayEdit }: Props & { found: Passages; body: string }) {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const document: DocumentId = `page:${page}`;
  const putBack = usePutBack(site.slug, page);
  function restore(back: number) {
    putBack.mutate({ body, back }, { onSuccess: (text) => text !== null && store.choose(document, { body: text }) });
  }
  const changed = found.passages.filter(({ differs }) => differs);
  if (!found.lines.length && !changed.length) return <p className="text-soft">{t("pageChanges.none")}</p>;
  return (
    <>
      <ErrorNotice error={putBack.error} />
      <ul className="divide-y divide-line">
        {found.lines.map((line) => (
          <Spot
            key={line.field}
            name={t(`page.${line.field}`)}
            words={line.words}
            onRestore={mayEdit ? () => store.choose(document, { [line.field]: line.old }) : null}
          />
        ))}
        {found.passages.map((passage, index) =>
          passage.differs ? (
            <Spot
              key={index}
              name={t("pageChanges.paragraph", { number: changed.indexOf(passage) + 1, count: changed.length })}
              words={passage.words}
              onRestore={mayEdit ? () => restore(index) : null}
            />
          ) : (
            <li key={index} className="py-2 text-xs text-soft">
              {t("pageChanges.stays", { count: passage.paragraphs })}
            </li>
          ),
        )}
      </ul>
    </>
  );
}

/** What a page says otherwise than visitors read now, by paragraph, as it is typed. */
export function PageChanges({ page, mayEdit }: Props) {
  const { t } = useTranslation();
  const site = useSite();
  const body = useSelect((one) => asText(one.page(page)?.value("body")));
  const revision = useSelect((one) => one.page(page)?.revision ?? 0);
  const settled = useSettled(body, 400);
  const query = usePassages(site.slug, page, settled, revision);
  return (
    <section aria-label={t("pageChanges.title")} className="h-full overflow-y-auto rounded-lg border border-line p-4">
      <h2 className="mb-1 text-[15px] font-semibold">{t("pageChanges.title")}</h2>
      <QueryBoundary query={query}>
        {(found) =>
          found.is_live ? (
            // What was typed since is not in what was found: it must not be lost by restoring a part.
            <Spots page={page} found={found} body={settled} mayEdit={mayEdit && settled === body} />
          ) : (
            <p className="text-soft">{t("pageChanges.isNew")}</p>
          )
        }
      </QueryBoundary>
    </section>
  );
}
