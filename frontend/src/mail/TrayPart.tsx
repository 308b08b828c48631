import { useState } from "react";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Notice } from "../ui/Notice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { useSettled } from "../ui/useSettled";
import { useTray, type Tray } from "./api";
import { MessageRow } from "./MessageRow";
import { PagedList } from "./PagedList";

function Head({ tray, failed, onFailed }: { tray: Tray; failed: boolean; onFailed: (only: boolean) => void }) {
  const { t } = useTranslation();
  const count = tray.counts.failed ?? 0;
  return (
    <div className="grid gap-2 px-6 py-3">
      <p className="text-soft">{t(tray.sends ? "tray.sends" : "tray.keeps")}</p>
      {count > 0 && (
        <Notice
          tone="warn"
          actions={
            <ActionLink onClick={() => onFailed(!failed)}>{t(failed ? "tray.showAll" : "tray.showFailed")}</ActionLink>
          }
        >
          {t("tray.failedCount", { count })}
        </Notice>
      )}
    </div>
  );
}

/** Every message that the site sends, as its receiver sees it. */
export function TrayPart() {
  const { t } = useTranslation();
  const site = useSite();
  const [typed, setTyped] = useState("");
  const [failed, setFailed] = useState(false);
  const sought = useSettled(typed, 200);
  const query = useTray(site.slug, sought, failed);
  return (
    <QueryBoundary query={query}>
      {({ pages }) => {
        const [first] = pages;
        const messages = pages.flatMap((page) => page.messages);
        if (!first) return null;
        return (
          <>
            <Head tray={first} failed={failed} onFailed={setFailed} />
            <div className="px-6 pb-3">
              <SearchField label={t("tray.find")} value={typed} onType={setTyped} />
            </div>
            <PagedList
              sought={sought}
              empty={t("tray.empty")}
              rows={messages.map((message) => (
                <MessageRow key={message.id} message={message} mayEdit={site.may.edit.allowed} />
              ))}
              onOlder={query.hasNextPage ? () => void query.fetchNextPage() : null}
            />
          </>
        );
      }}
    </QueryBoundary>
  );
}
