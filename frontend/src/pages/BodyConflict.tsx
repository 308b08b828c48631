import { useEffect, useId, useState } from "react";
import type { Schemas } from "../api/client";
import { asText } from "../draft/document";
import { useFieldState, useSelect, useSite, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { NotFetched } from "../ui/QueryBoundary";
import { useMerged, useMergeWith, type Choice } from "./passages";

type Clash = Schemas["ClashOut"];
const CHOICES = ["both", "mine", "theirs"] as const;

function Side({ name, text }: { name: string; text: string }) {
  const { t } = useTranslation();
  return (
    <div className="min-w-0">
      <p className="text-xs text-soft">{name}</p>
      <p dir="auto" className="max-h-48 overflow-y-auto break-words whitespace-pre-wrap">
        {text || <span className="text-soft italic">{t("merge.gone")}</span>}
      </p>
    </div>
  );
}

interface ClashProps {
  clash: Clash;
  number: number;
  choice: Choice;
  onChoose: (choice: Choice) => void;
}

/** One paragraph that two people made something else of. */
function OneClash({ clash, number, choice, onChoose }: ClashProps) {
  const { t } = useTranslation();
  const name = useId();
  return (
    <fieldset className="grid gap-2 border-t border-line py-2">
      <legend className="unseen">{t("merge.clash", { number })}</legend>
      <div className="grid gap-3 sm:grid-cols-2">
        <Side name={t("conflict.mine")} text={clash.mine} />
        <Side name={t("conflict.theirs")} text={clash.theirs} />
      </div>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {CHOICES.map((one) => (
          <label key={one} className="inline-flex min-h-8 items-center gap-2">
            <input type="radio" name={name} checked={choice === one} onChange={() => onChoose(one)} />
            {t(`merge.keep.${one}`)}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

interface ClashesProps {
  clashes: Clash[];
  onSettle: (choices: Choice[]) => void;
  waits: boolean;
}

function Clashes({ clashes, onSettle, waits }: ClashesProps) {
  const { t } = useTranslation();
  const [chosen, setChosen] = useState<Record<number, Choice>>({});
  const choices = clashes.map((_, index) => chosen[index] ?? "both");
  return (
    <>
      <p className="mb-1">{t("merge.lead", { count: clashes.length })}</p>
      {clashes.map((clash, index) => (
        <OneClash
          key={index}
          clash={clash}
          number={index + 1}
          choice={choices[index] ?? "both"}
          onChoose={(choice) => setChosen({ ...chosen, [index]: choice })}
        />
      ))}
      <Button className="mt-1 justify-self-start" disabled={waits} onClick={() => onSettle(choices)}>
        {t("merge.settle")}
      </Button>
    </>
  );
}

/** Both texts that a page's body could have, with what both began with; none while nothing is in conflict. */
function useTexts(document: DocumentId) {
  const { conflict } = useFieldState(document, "body");
  return conflict
    ? { base: asText(conflict.base), mine: asText(conflict.mine), theirs: asText(conflict.theirs) }
    : null;
}

/**
 * Somebody else changed the same text. Where each changed paragraphs of their own both are kept, and it is said; else
 * the paragraphs that both changed are shown, to keep one or both.
 */
export function BodyConflict({ page }: { page: number }) {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const document: DocumentId = `page:${page}`;
  const texts = useTexts(document);
  const author = useSelect((one) => one.page(page)?.state.meta.author);
  const merged = useMerged(site.slug, page, texts);
  const mergeWith = useMergeWith(site.slug, page);
  const [isJoined, setJoined] = useState(false);
  const joined = texts && merged.data && merged.data.clashes.length === 0 ? merged.data.body : null;
  const isAsked = texts !== null && (merged.data?.clashes.length ?? 0) > 0;
  // What was said of an earlier text is not said of one that somebody had to choose.
  if (joined !== null && !isJoined) setJoined(true);
  if (isAsked && isJoined) setJoined(false);
  useEffect(() => {
    if (joined !== null) store.document(document).settleWith("body", joined);
  }, [joined, store, document]);
  const by = author && !author.own ? author.by : "";
  if (!texts)
    return (
      <p role="status" className="text-[13px] text-soft empty:hidden">
        {isJoined && (by ? t("merge.joinedBy", { name: by }) : t("merge.joined"))}
      </p>
    );
  // While it is not known whether there is anything to ask, nothing is.
  if (!merged.error && !isAsked) return null;
  function settle(choices: Choice[]) {
    if (!texts) return;
    mergeWith.mutate(
      { ...texts, choices },
      { onSuccess: ({ body }) => body !== null && store.document(document).settleWith("body", body) },
    );
  }
  return (
    <div className="mt-3">
      <Notice tone="warn">
        <p className="mb-1 font-semibold">{by ? t("merge.titleBy", { name: by }) : t("merge.title")}</p>
        {merged.error && <NotFetched query={merged} />}
        {merged.data && <Clashes clashes={merged.data.clashes} onSettle={settle} waits={mergeWith.isPending} />}
        <ErrorNotice error={mergeWith.error} />
      </Notice>
    </div>
  );
}
