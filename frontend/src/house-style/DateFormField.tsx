import { useState } from "react";
import { useFact, useFactActions } from "../draft/hooks";
import { TextField } from "../draft/TextField";
import type { Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { later } from "../ui/later";
import { ExampleChoices } from "../ui/ExampleChoices";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useSettled } from "../ui/useSettled";
import { useCheckedForm, useForms, type DateFact, type FormKind } from "./dates";

const DateParts = later(async () => (await import("./DateParts")).DateParts);

interface Props {
  fact: DateFact;
  kind: FormKind;
  readOnly: boolean;
}

/** How the form that is written would write what tries it, and what should be thought of. */
function Tried({ fact, kind }: { fact: DateFact; kind: FormKind }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const pattern = useFact(fact);
  const language = useFact("language");
  const zone = useFact("time_zone");
  const checked = useCheckedForm(useSettled(pattern, 150), kind, language, zone);
  if (!checked) return null;
  return (
    <>
      {checked.notices.map((notice) => (
        <p key={notice.code} className="mt-1.5 text-warn">
          ▲ {notice.message}{" "}
          {notice.fix && (
            <button type="button" className="act-link" onClick={() => facts.choose({ [fact]: notice.fix })}>
              {t("dates.takeOwn")}
            </button>
          )}
        </p>
      ))}
      {checked.samples.length > 0 && (
        <dl className="mt-1.5 grid grid-cols-[auto_1fr] gap-x-3 text-xs">
          {checked.samples.map((sample) => (
            <div key={sample.what} className="col-span-2 grid grid-cols-subgrid">
              <dt className="text-soft">{t(`dates.sample.${sample.what}`)}</dt>
              <dd dir="auto" lang={language}>
                {sample.text}
              </dd>
            </div>
          ))}
        </dl>
      )}
    </>
  );
}

function Pattern({ fact, kind }: { fact: DateFact; kind: FormKind }) {
  const { t } = useTranslation();
  return (
    <div className="mt-2">
      <p id={`pattern-${fact}`} className="text-xs text-soft">
        {t(`dates.pattern.${kind}`)}
      </p>
      <TextField
        document="facts"
        field={fact}
        labelledBy={`fact-${fact} pattern-${fact}`}
        describedBy={`wrong-${fact}`}
        readOnly={false}
        className="font-code"
      />
    </div>
  );
}

/** The parts of the form that is in effect. */
function Built({ fact, kind, pattern }: { fact: DateFact; kind: FormKind; pattern: string }) {
  const checked = useCheckedForm(pattern, kind, useFact("language"), useFact("time_zone"));
  return checked ? <DateParts fact={fact} parts={checked.parts} more={checked.more} /> : null;
}

/** A form of dates or times, chosen by the example of now; for who wants it, written as a pattern. */
export function DateFormField(props: Props) {
  const forms = useForms(props.kind, useFact("language"), useFact("time_zone"));
  return <QueryBoundary query={forms}>{(found) => <Chosen {...props} forms={found} />}</QueryBoundary>;
}

function Chosen({ fact, kind, readOnly, forms }: Props & { forms: Schemas["DateFormsOut"] }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const pattern = useFact(fact);
  const language = useFact("language");
  const [writes, setWrites] = useState(false);
  const [builds, setBuilds] = useState(false);
  const own = forms.own[fact === "date_long" ? "long" : fact === "date_short" ? "short" : "time"];
  const known = pattern === "" || forms.forms.some((form) => form.pattern === pattern);
  const shown = forms.forms.filter((form) => form.pattern !== own);
  const options = [{ pattern: "", example: forms.forms.find((form) => form.pattern === own)?.example ?? "" }, ...shown];
  return (
    <div data-field={fact} tabIndex={-1} className="outline-none">
      <ExampleChoices
        field={fact}
        options={options.map(({ pattern: value, example }) => ({
          value,
          words: (
            <span dir="auto" lang={language} className="font-medium">
              {example}
            </span>
          ),
          note: value === "" ? t("dates.own") : undefined,
        }))}
        chosen={pattern}
        readOnly={readOnly}
        onChoose={(value) => facts.choose({ [fact]: value })}
      />
      {!readOnly && (
        <ActionLink expanded={builds} onClick={() => setBuilds(!builds)}>
          {t("dates.build")}
        </ActionLink>
      )}
      {!readOnly && (
        <ActionLink expanded={writes || !known} onClick={() => setWrites(!writes)}>
          {t("dates.write")}
        </ActionLink>
      )}
      {builds && !readOnly && <Built fact={fact} kind={kind} pattern={pattern || own} />}
      {(writes || !known) && !readOnly && <Pattern fact={fact} kind={kind} />}
      <Tried fact={fact} kind={kind} />
    </div>
  );
}
