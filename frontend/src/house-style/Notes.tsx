import type { FactKey } from "../draft/changes";
import { ConflictChoice } from "../draft/ConflictChoice";
import { tidy } from "../draft/document";
import { mostOf, specOf } from "../draft/facts";
import { FieldErrors } from "../draft/FieldErrors";
import { FieldStatus } from "../draft/FieldStatus";
import { useFieldState, useFieldText, useIsChanged, useSelect, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useProofs } from "../proofs/ProofsProvider";
import { AuthorLine } from "../ui/AuthorLine";

function LiveValue({ fact, readOnly }: { fact: FactKey; readOnly: boolean }) {
  const { t } = useTranslation();
  const store = useStore();
  const changed = useIsChanged(fact);
  const words = useSelect(({ facts }) =>
    facts.state.meta.live_facts ? (facts.state.meta.live_words[fact] ?? "") : null,
  );
  const author = useSelect(({ facts }) => facts.state.meta.authors[fact]);
  if (words === null || !changed) return null;
  return (
    <>
      {author && !author.own && <AuthorLine author={author} />}
      <span className="min-w-0">
        {t("sheet.liveNow")}{" "}
        <b dir="auto" className="font-semibold break-words text-ink">
          {words || t("sheet.nothing")}
        </b>
      </span>
      {!readOnly && (
        <button
          type="button"
          className="act-link"
          aria-label={t("sheet.putBackFact", { fact: t(`factName.${fact}`) })}
          onClick={() => store.putBack(fact)}
        >
          {t("sheet.putBack")}
        </button>
      )}
    </>
  );
}

/** How long a text is, against how long it may be. */
function Length({ fact }: { fact: FactKey }) {
  const { t } = useTranslation();
  const length = Array.from(tidy(useFieldText("facts", fact))).length;
  const limit = mostOf(fact);
  if (limit === undefined) return null;
  return (
    <span className={length > limit ? "text-stop" : ""}>
      {length > limit ? t("sheet.tooMany", { count: length, limit }) : t("sheet.characters", { count: length })}
    </span>
  );
}

/** What stands in for a text that is not said. */
function Derived({ fact }: { fact: FactKey }) {
  const { t } = useTranslation();
  const empty = tidy(useFieldText("facts", fact)) === "";
  const derived = useProofs((state) => state.derived[fact]);
  return empty && derived ? <span>{t("sheet.derived", { derived })}</span> : null;
}

interface Props {
  fact: FactKey;
  /** Says which fact the notes are about, where the row is about several. */
  named?: boolean;
  readOnly: boolean;
}

/** What stands below a value: whether it is saved, how long it is, what is live, what is wrong. */
export function Notes({ fact, named = false, readOnly }: Props) {
  const { t } = useTranslation();
  const { status, errors, conflict } = useFieldState("facts", fact);
  const changed = useIsChanged(fact);
  const theirWords = useSelect(({ facts }) => facts.state.meta.words[fact]);
  if (named && !changed && !status && !errors.length && !conflict) return null;
  const isText = specOf(fact)?.editor === "line";
  return (
    <>
      <ConflictChoice document="facts" field={fact} theirWords={theirWords} />
      <FieldErrors document="facts" field={fact} id={`wrong-${fact}`} />
      <div className="mt-1.5 flex flex-wrap items-baseline gap-x-3.5 gap-y-0.5 text-xs text-soft empty:hidden">
        {isText && <Length fact={fact} />}
        {isText && <Derived fact={fact} />}
        {named && <b className="font-semibold text-ink">{t(`factName.${fact}`)}</b>}
        <LiveValue fact={fact} readOnly={readOnly} />
        <FieldStatus document="facts" field={fact} />
      </div>
    </>
  );
}
