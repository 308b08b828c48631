import { useState } from "react";
import { DEFAULTS } from "../api/facts.gen";
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

interface State {
  kind: "live" | "opened" | "default";
  value: unknown;
  words: string;
}

/** What a fact could say again: as live, as when the desk was opened, as it comes; each that is another one, once. */
function useStates(fact: FactKey): State[] {
  const { opened } = useStore();
  const { meta, now } = useSelect(({ facts }) => ({ meta: facts.state.meta, now: JSON.stringify(facts.value(fact)) }));
  const live = meta.live_facts;
  const all: State[] = [
    ...(live ? [{ kind: "live", value: live[fact], words: meta.live_words[fact] ?? "" } as const] : []),
    { kind: "opened", value: opened.facts[fact], words: opened.words[fact] ?? "" },
    // A text that is not said is nothing to go back to.
    ...(specOf(fact)?.editor === "line"
      ? []
      : [{ kind: "default", value: DEFAULTS[fact], words: meta.default_words[fact] ?? "" } as const]),
  ];
  const known = all.map(({ value }) => JSON.stringify(value));
  const isChanged = all.some(({ kind }, at) => kind !== "default" && known[at] !== now);
  return isChanged ? all.filter((_, at) => known[at] !== now && known.indexOf(known[at] ?? "") === at) : [];
}

function StateLine({ fact, state, readOnly }: { fact: FactKey; state: State; readOnly: boolean }) {
  const { t } = useTranslation();
  const store = useStore();
  const name = t(`factName.${fact}`);
  return (
    <>
      <span className="min-w-0">
        {t(`sheet.state.${state.kind}`)}{" "}
        <b dir="auto" className="font-semibold break-words text-ink">
          {state.words || t("sheet.nothing")}
        </b>
      </span>
      {!readOnly && (
        <button
          type="button"
          className="act-link"
          aria-label={
            state.kind === "live"
              ? t("sheet.putBackFact", { fact: name })
              : t("sheet.putBackAs", { fact: name, state: t(`sheet.state.${state.kind}`) })
          }
          onClick={() => store.putBack(fact, state.value)}
        >
          {t("sheet.putBack")}
        </button>
      )}
    </>
  );
}

/** What a changed fact said, and the way back to it; the state that is likeliest meant at once, the others at a click. */
function FormerStates({ fact, readOnly }: { fact: FactKey; readOnly: boolean }) {
  const { t } = useTranslation();
  const [isOpen, setOpen] = useState(false);
  const [first, ...others] = useStates(fact);
  const author = useSelect(({ facts }) => facts.state.meta.authors[fact]);
  if (!first) return null;
  return (
    <>
      {author && !author.own && <AuthorLine author={author} />}
      <StateLine fact={fact} state={first} readOnly={readOnly} />
      {others.length > 0 && !readOnly && (
        <button type="button" aria-expanded={isOpen} className="act-link" onClick={() => setOpen(!isOpen)}>
          {t("sheet.otherStates")}
        </button>
      )}
      {isOpen &&
        others.map((state) => (
          <span key={state.kind} className="flex basis-full flex-wrap gap-x-3.5">
            <StateLine fact={fact} state={state} readOnly={readOnly} />
          </span>
        ))}
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
        <FormerStates fact={fact} readOnly={readOnly} />
        <FieldStatus document="facts" field={fact} />
      </div>
    </>
  );
}
