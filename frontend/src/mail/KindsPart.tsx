import { useId } from "react";
import { fixOf } from "../draft/fixes";
import { FieldStatus } from "../draft/FieldStatus";
import { useFieldState, useSelect, useSite } from "../draft/hooks";
import { useOwnWords } from "../draft/ownWords";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useKinds, type Kind } from "./api";
import { MessageLook } from "./MessageLook";

interface WordsProps {
  kind: Kind;
  part: "subject" | "text";
  readOnly: boolean;
}

/** What is wrong with a message's words, at the words, with how it is put right. */
function Wrong({ word, text, onFix }: { word: string; text: string; onFix: (fixed: string) => void }) {
  const { t } = useTranslation();
  const { errors } = useFieldState("facts", "own_words");
  return errors
    .filter((error) => error.field === `own_words.${word}`)
    .map((error, index) => {
      const fixed = fixOf(text, error)?.fixed;
      return (
        <p key={index} role="alert" className="mt-1 text-stop">
          {error.message}{" "}
          {fixed != null && (
            <button type="button" className="act-link" onClick={() => onFix(fixed)}>
              {t("fix.write", { fix: error.fix?.trim() })}
            </button>
          )}
        </p>
      );
    });
}

function WordsField({ kind, part, readOnly }: WordsProps) {
  const { t } = useTranslation();
  const id = useId();
  const own = useOwnWords();
  const word = part === "subject" ? kind.subject_key : kind.text_key;
  const usual = part === "subject" ? kind.usual_subject : kind.usual_text;
  const text = own.said(word) || usual;
  const set = (next: string) => own.set(word, next === usual ? "" : next);
  return (
    <div className="grid gap-0.5">
      <label htmlFor={id} className="text-xs text-soft">
        {t(`kinds.${part}`)}
      </label>
      <textarea
        id={id}
        rows={part === "subject" ? 1 : 4}
        dir="auto"
        disabled={readOnly}
        maxLength={part === "subject" ? 400 : 1000}
        value={text}
        className="fact-field"
        onChange={(event) => set(event.target.value.replace(/\s*\n\s*/g, " "))}
      />
      <Wrong word={word} text={text} onFix={set} />
      {!readOnly && own.said(word) && (
        <span>
          <ActionLink onClick={() => own.set(word, "")}>{t("kinds.putBack")}</ActionLink>
        </span>
      )}
    </div>
  );
}

function KindRow({ kind, readOnly, version }: { kind: Kind; readOnly: boolean; version: string }) {
  const { t } = useTranslation();
  return (
    <li className="grid gap-x-8 gap-y-3 border-t border-line px-6 py-4 min-[900px]:grid-cols-[22rem_1fr]">
      <div className="grid content-start gap-2">
        <h2 className="text-[15px] font-semibold">{t(`kinds.name.${kind.kind}`)}</h2>
        <p className="text-xs text-soft">{t(`kinds.when.${kind.kind}`)}</p>
        <WordsField kind={kind} part="subject" readOnly={readOnly} />
        <WordsField kind={kind} part="text" readOnly={readOnly} />
        <p className="text-xs text-soft">
          {t("kinds.names", { names: "" })}
          <span className="font-code">{kind.names.map((name) => `{${name}}`).join(" ")}</span>
        </p>
      </div>
      <div className="min-w-0">
        <MessageLook of={`kinds/${kind.kind}`} version={version} />
      </div>
    </li>
  );
}

/** All messages that the site sends: what sets each off, its words, how it looks. */
export function KindsPart() {
  const { t } = useTranslation();
  const site = useSite();
  const revision = useSelect(({ facts }) => facts.state.meta.revision);
  const kinds = useKinds(site.slug, revision);
  return (
    <QueryBoundary query={kinds}>
      {(all) => (
        <>
          <div className="flex flex-wrap items-baseline gap-x-4 px-6 py-3 text-soft">
            <p>{t("kinds.lead")}</p>
            <FieldStatus document="facts" field="own_words" />
          </div>
          <ul>
            {all.map((kind) => (
              <KindRow key={kind.kind} kind={kind} readOnly={!site.may.edit.allowed} version={String(revision)} />
            ))}
          </ul>
        </>
      )}
    </QueryBoundary>
  );
}
