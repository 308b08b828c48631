import { useTranslation } from "react-i18next";
import { useSite } from "../draft/hooks";
import { QueryBoundary } from "../ui/QueryBoundary";
import { ViewHead } from "../ui/ViewHead";
import { useClosed } from "./api";
import { Closing } from "./Closing";
import { Deleting } from "./Deleting";

/** What is done with a site as a whole. */
export function StandingView() {
  const { t } = useTranslation();
  const site = useSite();
  const closed = useClosed(site.slug);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-10">
      <ViewHead title={t("view.whole-site")} lead={t("standing.lead")} />
      <div className="grid max-w-3xl gap-9 px-6 pt-2">
        <QueryBoundary query={closed}>{(now) => <Closing site={site} closed={now} />}</QueryBoundary>
        {site.role === "owner" && <Deleting site={site} />}
      </div>
    </div>
  );
}
