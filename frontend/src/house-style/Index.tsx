import { useEffect, useState } from "react";
import { isChanged } from "../draft/changes";
import { BANDS, type Band } from "../draft/facts";
import { useSelect } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ChecklistLink } from "../checklist";

/** The section below the bands, which is about no fact. */
const ADDRESS = "address";

/** The band that is being read: the last whose beginning has passed the upper third of the window. */
function useBandInView(): string {
  const [inView, setInView] = useState<string>(BANDS[0]?.id ?? "");
  useEffect(() => {
    function update() {
      const passed = [...BANDS, { id: ADDRESS }].filter(
        ({ id }) => (document.getElementById(id)?.getBoundingClientRect().top ?? Infinity) < innerHeight / 3,
      );
      setInView(passed.at(-1)?.id ?? BANDS[0]?.id ?? "");
    }
    addEventListener("scroll", update, { passive: true });
    return () => removeEventListener("scroll", update);
  }, []);
  return inView;
}

function Entry({ band, current }: { band: Band; current: boolean }) {
  const { t } = useTranslation();
  const changed = useSelect(
    ({ facts }) => band.rows.flatMap((row) => row.keys).filter((key) => isChanged(facts, key)).length,
  );
  return (
    <a
      href={`#${band.id}`}
      aria-current={current ? "location" : undefined}
      className="flex items-center justify-between border-e-2 border-transparent py-1.5 pe-3 text-soft hover:text-ink aria-[current]:border-act aria-[current]:font-semibold aria-[current]:text-ink"
    >
      {t(`band.${band.id}.title`)}
      <small className={`font-code text-[11px] ${changed ? "rounded-sm bg-mark px-1.5 text-on-mark" : ""}`}>
        {changed || band.rows.length}
        <span className="unseen">
          {" "}
          {changed ? t("sheet.changedFacts", { count: changed }) : t("sheet.facts", { count: band.rows.length })}
        </span>
      </small>
    </a>
  );
}

/** The index at the left: each band with its count of changes. */
export function Index() {
  const { t } = useTranslation();
  const inView = useBandInView();
  return (
    <nav
      aria-label={t("sheet.index")}
      className="sticky top-26 xl:top-15 hidden self-start py-5 ps-5 min-[900px]:block"
    >
      <p className="mb-2.5 text-xs font-semibold text-soft">{t("sheet.index")}</p>
      {BANDS.map((band) => (
        <Entry key={band.id} band={band} current={band.id === inView} />
      ))}
      <a
        href={`#${ADDRESS}`}
        aria-current={inView === ADDRESS ? "location" : undefined}
        className="block border-e-2 border-transparent py-1.5 text-soft hover:text-ink aria-[current]:border-act aria-[current]:font-semibold aria-[current]:text-ink"
      >
        {t("siteAddress.title")}
      </a>
      <p className="mt-4 pe-3">
        <ChecklistLink />
      </p>
    </nav>
  );
}
