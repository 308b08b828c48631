import { useSite } from "../draft/hooks";
import { FollowedList } from "../followed";
import { useTranslation } from "../i18n/useTranslation";
import { QueryBoundary } from "../ui/QueryBoundary";
import { ViewHead } from "../ui/ViewHead";
import { useSites } from "../sites";
import { useClosed } from "./api";
import { Closing } from "./Closing";
import { CopyFacts } from "./CopyFacts";
import { Deleting } from "./Deleting";
import { MakeCopy } from "./MakeCopy";
import { TakeIn } from "./TakeIn";
import { TakeOut } from "./TakeOut";

/** What is done with a site as a whole. */
export function LifecycleView({ mayMakeSites }: { mayMakeSites: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const closed = useClosed(site.slug);
  const sites = useSites().data ?? [];
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-10">
      <ViewHead title={t("view.whole-site")} lead={t("lifecycle.lead")} />
      <div className="grid max-w-3xl gap-9 px-6 pt-2">
        <QueryBoundary query={closed}>{(now) => <Closing site={site} closed={now} />}</QueryBoundary>
        <TakeOut site={site} />
        {site.may.edit.allowed && <CopyFacts site={site} sites={sites} />}
        <FollowedList site={site.slug} readOnly={!site.may.edit.allowed} />
        {mayMakeSites && <MakeCopy site={site} />}
        {mayMakeSites && <TakeIn />}
        {site.may.manage.allowed && <Deleting site={site} />}
      </div>
    </div>
  );
}
