import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, result, type Proofs } from "../api/client";
import { useSelect, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Drawing } from "../proofs/drawings";
import { useSettled } from "../ui/useSettled";

const PLACES = ["search", "share", "tab"] as const;

/** How the page appears in a search result, where it is shared, and in its tab: read back whenever it was saved. */
export function PageProofs({ page, path }: { page: number; path: string }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const kept = useSelect((one) => one.page(page)?.state.meta.revision ?? 0);
  const facts = useSelect((one) => one.facts.state.meta.revision);
  const version = useSettled(`${String(kept)} ${String(facts)}`, 150);
  const proofs = useQuery({
    queryKey: ["page-proofs", site, path, version],
    queryFn: () =>
      result<Proofs>(
        api.POST("/api/sites/{site}/proofs", {
          params: { path: { site } },
          body: { path, facts: {}, places: PLACES.map((place) => ({ place, home: false })), at: "" },
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  }).data;
  if (!proofs) return null;
  return (
    <div className="dotted flex flex-wrap items-start gap-3 rounded-lg border border-line p-3">
      {PLACES.map((place) => {
        const proof = proofs.proofs.find((one) => one.place === place);
        if (!proof) return null;
        return (
          <figure key={place} className="m-0 max-w-full">
            <div dir={proofs.direction}>
              <Drawing
                proof={proof}
                fact="description"
                iconUrl={proofs.icon_url}
                themes={proofs.themes}
                large={false}
              />
            </div>
            <figcaption className="mt-1.5 text-[11.5px] font-semibold">{t(`place.${place}`)}</figcaption>
          </figure>
        );
      })}
    </div>
  );
}
