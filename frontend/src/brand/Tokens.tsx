import { useRef, useState } from "react";
import { useFactActions, useSite } from "../draft/hooks";
import { api, result, type Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Swatch } from "./Swatch";

type Found = Schemas["TokensOut"];

/** What a file of tokens held: what was taken from it, and its other colours, to be taken by hand. */
function Taken({ found }: { found: Found }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const taken = Object.keys(found.facts).map((key) => t(`factName.${key}`));
  const others = [...new Set(Object.values(found.colours))].slice(0, 12);
  return (
    <div className="mt-2 text-xs">
      <p role="status">{taken.length ? t("tokens.taken", { facts: taken.join(", ") }) : t("tokens.choose")}</p>
      <p className="mt-1 flex flex-wrap gap-1">
        {others.map((colour) => (
          <Swatch
            key={colour}
            colour={colour}
            label={t("tokens.asBrand", { colour })}
            onTake={() => facts.choose({ brand_colour: colour })}
          />
        ))}
      </p>
    </div>
  );
}

/** Colours and typefaces as a file for other programs, and from one. */
export function Tokens({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const facts = useFactActions();
  const [found, setFound] = useState<Found | null>(null);
  const [error, setError] = useState<Error | null>(null);
  const input = useRef<HTMLInputElement>(null);

  async function take(file: File | undefined) {
    if (!file) return;
    setError(null);
    setFound(null);
    try {
      const text = await file.text();
      const read = await result<Found>(
        api.POST("/api/sites/{site}/tokens", { params: { path: { site: site.slug } }, body: { text } }),
      );
      facts.choose(read.facts);
      setFound(read);
    } catch (failure) {
      setError(failure as Error);
    }
  }
  return (
    <div className="mt-3 border-t border-line pt-2">
      <p className="text-xs text-soft">{t("tokens.why")}</p>
      <p className="mt-1 flex flex-wrap gap-x-4">
        <a className="act-link" href={`/api/sites/${site.slug}/tokens.json`} download>
          {t("tokens.json")}
        </a>
        <a className="act-link" href={`/api/sites/${site.slug}/tokens.css`} download>
          {t("tokens.css")}
        </a>
        {!readOnly && (
          <button type="button" className="act-link" onClick={() => input.current?.click()}>
            {t("tokens.upload")}
          </button>
        )}
      </p>
      <input
        ref={input}
        type="file"
        accept=".json,.css,.tokens,application/json,text/css"
        className="hidden"
        onChange={(event) => {
          void take(event.target.files?.[0]);
          event.target.value = "";
        }}
      />
      <div className="mt-2 empty:hidden">
        <ErrorNotice error={error} />
      </div>
      {found && <Taken found={found} />}
    </div>
  );
}
