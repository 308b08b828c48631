import { useTranslation } from "react-i18next";
import { useSelect, useSite } from "../draft/hooks";
import { useSettled } from "../ui/useSettled";
import { usePreview } from "./api";

/** The real page of the draft, as a visitor would see it, fetched anew when what was typed is kept. */
export function PageLook({ page, path }: { page: number; path: string }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const preview = usePreview(site).data;
  const kept = useSelect((one) => one.page(page)?.state.meta.revision ?? 0);
  const facts = useSelect((one) => one.facts.state.meta.revision);
  const version = useSettled(`${String(kept)}-${String(facts)}`, 400);
  if (!preview) return null;
  return (
    <div className="dotted sticky top-18 hidden self-start rounded-lg border border-line p-3 xl:block">
      <iframe
        title={t("page.look")}
        src={`${preview}${path.slice(1)}?${version}`}
        // Another origin than the desk's; its fonts need that origin, and its small script moves nothing here.
        sandbox="allow-same-origin allow-scripts"
        className="block h-[38rem] w-full rounded-sm bg-white shadow-md"
      />
    </div>
  );
}
