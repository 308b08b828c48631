import { useState } from "react";
import { Link } from "react-router";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { PillChoice } from "../ui/PillChoice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { useSettled } from "../ui/useSettled";
import { useInbox, type Inbox, type Shown } from "./api";
import { EnquiryRow } from "./EnquiryRow";
import { PagedList } from "./PagedList";

const SHOWN: Shown[] = ["open", "done", "suspect"];

function Lead({ inbox }: { inbox: Inbox }) {
  const { t } = useTranslation();
  const site = useSite();
  return (
    <div className="grid gap-1 px-6 py-3 text-soft">
      <p>{inbox.form ? t("inbox.lead", { form: inbox.form, count: inbox.days }) : t("inbox.noForm")}</p>
      {inbox.receiver ? (
        <p>{t("inbox.receiver", { address: inbox.receiver })}</p>
      ) : (
        <p className="text-warn">
          ▲ {t("inbox.noReceiver")}{" "}
          <Link to={`/${site.slug}/style#fact-notices_email`} className="act-link">
            {t("inbox.giveAddress")}
          </Link>
        </p>
      )}
    </div>
  );
}

interface ToolsProps {
  inbox: Inbox;
  sought: string;
  shown: Shown;
  onSeek: (sought: string) => void;
  onShow: (shown: Shown) => void;
}

function Tools({ inbox, sought, shown, onSeek, onShow }: ToolsProps) {
  const { t } = useTranslation();
  const site = useSite();
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 px-6 pb-3">
      <SearchField label={t("inbox.find")} value={sought} onType={onSeek} />
      <PillChoice
        label={t("mail.inbox")}
        all={SHOWN}
        chosen={shown}
        words={(one) => (
          <>
            {t(`inbox.shown.${one}`)} <b className="font-semibold">{inbox.counts[one] ?? 0}</b>
          </>
        )}
        onChoose={onShow}
      />
      {site.may.edit.allowed && (
        <a href={`/api/sites/${site.slug}/enquiries.mbox`} download className="act-link ms-auto">
          {t("inbox.export")}
        </a>
      )}
    </div>
  );
}

/** What visitors wrote through the form. */
export function InboxPart() {
  const { t } = useTranslation();
  const site = useSite();
  const [typed, setTyped] = useState("");
  const [shown, setShown] = useState<Shown>("open");
  const sought = useSettled(typed, 200);
  const query = useInbox(site.slug, sought, shown);
  return (
    <QueryBoundary query={query}>
      {({ pages }) => {
        const [first] = pages;
        const enquiries = pages.flatMap((page) => page.enquiries);
        if (!first) return null;
        return (
          <>
            <Lead inbox={first} />
            <Tools inbox={first} sought={typed} shown={shown} onSeek={setTyped} onShow={setShown} />
            <PagedList
              sought={sought}
              empty={t(`inbox.empty.${shown}`)}
              rows={enquiries.map((enquiry) => (
                <EnquiryRow key={enquiry.id} enquiry={enquiry} mayEdit={site.may.edit.allowed} />
              ))}
              onOlder={query.hasNextPage ? () => void query.fetchNextPage() : null}
            />
          </>
        );
      }}
    </QueryBoundary>
  );
}
