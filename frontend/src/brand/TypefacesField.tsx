import { useEffect } from "react";
import { useTranslation } from "react-i18next";
import { useFact, useFactActions } from "../draft/hooks";
import { useBrandReport } from "./BrandReport";
import { Tokens } from "./Tokens";

/** The faces that were asked for already; a document loads each but once. */
const asked = new Set<string>();

/** Makes the public typefaces known to the desk, under names of their own, so that each is seen before it is chosen. */
function useFaces(families: string[]) {
  useEffect(() => {
    for (const family of families.filter((one) => !asked.has(one))) {
      asked.add(family);
      const face = new FontFace(`Site ${family}`, `url(/api/typefaces/${encodeURIComponent(family)})`, {
        weight: "200 900",
      });
      document.fonts.add(face);
    }
  }, [families]);
}

const SAMPLE = "fact.typefaces.sample";

export function TypefacesField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const pairs = useBrandReport()?.typefaces ?? [];
  const chosen = useFact("typefaces");
  const name = useFact("name");
  useFaces(pairs.flatMap((pair) => [pair.heading, pair.text]));
  return (
    <>
      <div
        role="radiogroup"
        aria-labelledby="fact-typefaces"
        data-field="typefaces"
        tabIndex={-1}
        className="grid gap-1.5 outline-none"
      >
        {pairs.map((pair) => (
          <label
            key={pair.key}
            className="flex cursor-pointer items-start gap-2.5 rounded-md border border-line px-3 py-2 has-checked:border-act has-checked:bg-act-soft"
          >
            <input
              type="radio"
              name="typefaces"
              disabled={readOnly}
              className="mt-1.5 size-4 accent-act"
              checked={chosen === pair.key}
              onChange={() => facts.choose({ typefaces: pair.key })}
            />
            <span className="min-w-0">
              <span
                className="block truncate text-lg leading-snug font-semibold"
                style={{ fontFamily: `"Site ${pair.heading}", serif` }}
              >
                {name}
              </span>
              <span className="block truncate" style={{ fontFamily: `"Site ${pair.text}", serif` }}>
                {t(SAMPLE)}
              </span>
              <span className="text-[11px] text-soft">
                {pair.heading === pair.text ? pair.heading : `${pair.heading} · ${pair.text}`}
              </span>
            </span>
          </label>
        ))}
      </div>
      <p className="mt-1.5 text-xs text-soft">{t("fact.typefaces.others")}</p>
      <Tokens readOnly={readOnly} />
    </>
  );
}
