import { Link, useSearchParams } from "react-router";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ViewHead } from "../ui/ViewHead";
import { InboxPart } from "./InboxPart";
import { KindsPart } from "./KindsPart";
import { TrayPart } from "./TrayPart";

const PARTS = ["inbox", "tray", "kinds"] as const;
type Part = (typeof PARTS)[number];

function Shown({ part }: { part: Part }) {
  switch (part) {
    case "inbox":
      return <InboxPart />;
    case "tray":
      return <TrayPart />;
    case "kinds":
      return <KindsPart />;
    default:
      return part satisfies never;
  }
}

/** The mail of a site: what visitors wrote, what it sends, and in which words. */
export function MailView() {
  const { t } = useTranslation();
  const [asked] = useSearchParams();
  const site = useSite();
  // Who may only look reads nothing that visitors wrote.
  const parts = PARTS.filter((one) => one !== "inbox" || site.may.edit.allowed);
  const part = parts.find((one) => one === asked.get("part")) ?? parts[0] ?? "tray";
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("view.mail")} lead={t("mail.lead")} />
      <nav aria-label={t("mail.parts")} className="flex flex-wrap gap-x-6 gap-y-1 border-b border-ink px-6">
        {parts.map((one) => (
          <Link
            key={one}
            to={`?part=${one}`}
            aria-current={one === part ? "page" : undefined}
            className="-mb-px border-b-3 border-transparent py-2 font-medium text-soft hover:text-ink aria-[current=page]:border-act aria-[current=page]:text-ink"
          >
            {t(`mail.${one}`)}
          </Link>
        ))}
      </nav>
      <Shown part={part} />
    </div>
  );
}
