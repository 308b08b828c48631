import { useTranslation } from "../i18n/useTranslation";
import { useFieldState, useSelect, useStore } from "./hooks";
import type { DocumentId } from "./store";

interface Props {
  document: DocumentId;
  field: string;
  /** What the server keeps now, in words, where the value is no text. */
  theirWords?: string | undefined;
}

/** Somebody else changed the same field: both values, and the person chooses. */
export function ConflictChoice({ document, field, theirWords }: Props) {
  const { t } = useTranslation();
  const store = useStore();
  const { conflict } = useFieldState(document, field);
  const author = useSelect((one) => (document === "facts" ? one.facts.state.meta.authors[field] : undefined));
  if (!conflict) return null;
  const words = {
    mine: typeof conflict.mine === "string" ? conflict.mine : t("conflict.chosen"),
    theirs: typeof conflict.theirs === "string" ? conflict.theirs : theirWords,
  };
  return (
    <div className="mt-3 rounded-md bg-warn-soft p-3">
      <p role="alert" className="mb-2 font-semibold">
        {author && !author.own && author.by ? t("conflict.titleBy", { name: author.by }) : t("conflict.title")}
      </p>
      {(["mine", "theirs"] as const).map((whose) => (
        <div key={whose} className="flex items-baseline justify-between gap-3 border-t border-line py-1.5">
          <span className="min-w-0">
            <span className="text-xs text-soft">{t(`conflict.${whose}`)}</span>
            <br />
            <b dir="auto" className="font-semibold break-words">
              {words[whose] || t("sheet.nothing")}
            </b>
          </span>
          <button
            type="button"
            className="act-link flex-none"
            onClick={() => store.document(document).settleConflict(field, whose)}
          >
            {t(`conflict.keep.${whose}`)}
          </button>
        </div>
      ))}
    </div>
  );
}
