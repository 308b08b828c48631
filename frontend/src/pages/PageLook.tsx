import { useEffect, useRef, useState } from "react";
import { useTranslation } from "react-i18next";
import { useSelect, useSite } from "../draft/hooks";
import { PillChoice } from "../ui/PillChoice";
import { useSettled } from "../ui/useSettled";
import { usePreview } from "./api";

const WIDTHS = { desktop: 1280, tablet: 820, phone: 390 } as const;
type Kind = keyof typeof WIDTHS;
const KINDS = ["desktop", "tablet", "phone"] as const;
const HEIGHT = 608;

/** How wide an element is, followed as it changes. */
function useWidth() {
  const element = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    if (!element.current) return;
    const observer = new ResizeObserver(([entry]) => setWidth(entry?.contentRect.width ?? 0));
    observer.observe(element.current);
    return () => observer.disconnect();
  }, []);
  return { element, width };
}

/** The real page of the draft, as visitors on three widths would see it, fetched anew when what was typed is kept. */
export function PageLook({ page, path }: { page: number; path: string }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const preview = usePreview(site).data;
  const kept = useSelect((one) => one.page(page)?.state.meta.revision ?? 0);
  const facts = useSelect((one) => one.facts.state.meta.revision);
  const version = useSettled(`${String(kept)}-${String(facts)}`, 400);
  const [kind, setKind] = useState<Kind>("tablet");
  const { element, width } = useWidth();
  const scale = Math.min(1, width / WIDTHS[kind]);
  return (
    <div className="dotted sticky top-18 hidden self-start rounded-lg border border-line p-3 xl:block">
      <PillChoice
        label={t("look.width")}
        all={KINDS}
        chosen={kind}
        words={(one) => t(`look.${one}`)}
        onChoose={setKind}
      />
      <div ref={element} className="mt-2 overflow-hidden" style={{ height: HEIGHT }}>
        {preview && width > 0 && (
          <iframe
            title={t("page.look")}
            src={`${preview}${path.slice(1)}?${version}`}
            // Another origin than the desk's; its fonts need that origin, and its small script moves nothing here.
            sandbox="allow-same-origin allow-scripts"
            className="block origin-top-left rounded-sm bg-white shadow-md rtl:origin-top-right"
            style={{ width: WIDTHS[kind], height: HEIGHT / scale, transform: `scale(${String(scale)})` }}
          />
        )}
      </div>
    </div>
  );
}
