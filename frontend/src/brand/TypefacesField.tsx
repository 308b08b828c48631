import { useEffect, useRef } from "react";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useNear } from "../ui/useNear";
import { useBrandReport } from "./BrandReport";
import { Tokens } from "./Tokens";

/** The faces that were asked for already; a document loads each but once. */
const asked = new Set<string>();

/** Makes the public typefaces known to the desk, under names of their own, so that each is seen before it is chosen. */
function useFaces(families: string[], near: boolean) {
  useEffect(() => {
    if (!near) return;
    for (const family of families.filter((one) => !asked.has(one))) {
      asked.add(family);
      const face = new FontFace(`Site ${family}`, `url(/api/typefaces/${encodeURIComponent(family)})`, {
        weight: "200 900",
      });
      document.fonts.add(face);
    }
  }, [families, near]);
}

/** Rolls the list, and nothing around it, to the pair that is chosen. */
function showChosen(label: HTMLElement | null) {
  const list = label?.parentElement;
  if (!label || !list) return;
  // With the next frame, which lays the view out anyway.
  requestAnimationFrame(() => {
    list.scrollTop = label.offsetTop - list.offsetTop - (list.clientHeight - label.offsetHeight) / 2;
  });
}

export function TypefacesField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const pairs = useBrandReport()?.typefaces ?? [];
  const chosen = useFact("typefaces");
  const name = useFact("name");
  const tagline = useFact("tagline");
  const description = useFact("description");
  const list = useRef<HTMLDivElement>(null);
  useFaces(
    pairs.flatMap((pair) => [pair.heading, pair.text]),
    useNear(list, 600),
  );
  return (
    <>
      <div
        ref={list}
        role="radiogroup"
        aria-labelledby="fact-typefaces"
        data-field="typefaces"
        tabIndex={-1}
        className="grid max-h-64 gap-1.5 overflow-y-auto rounded-md border border-line p-1.5 outline-none"
      >
        {pairs.map((pair) => (
          <label
            key={pair.key}
            ref={chosen === pair.key ? showChosen : undefined}
            className="flex cursor-pointer items-start gap-2.5 rounded-sm px-2 py-1.5 has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act"
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
                {tagline || description || name}
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
