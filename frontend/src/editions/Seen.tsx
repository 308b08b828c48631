import { ExternalLink } from "lucide-react";
import { useState } from "react";
import type { Change, Edition } from "../api/client";
import { ROW_OF, type Row } from "../draft/facts";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { SideProofs } from "../proofs/SideProofs";
import { ActionLink } from "../ui/ActionLink";

/** A page as an edition has it; nothing where it has none at that address. */
function PageLinks({ change, sides }: { change: Change; sides: readonly [Edition, Edition] }) {
  const { t } = useTranslation();
  const there = [change.kind !== "page_added", change.kind !== "page_removed"];
  return (
    <span className="flex flex-wrap gap-x-4 gap-y-1">
      {sides.map(
        (edition, at) =>
          there[at] && (
            <a
              key={edition.number}
              href={edition.preview_url.replace(/\/$/, "") + change.key}
              target="_blank"
              rel="noreferrer"
              className="act-link inline-flex items-center gap-1.5"
            >
              {t("editions.asIn", { number: edition.number })}
              <span className="unseen"> {change.key}</span> <ExternalLink size={13} aria-hidden />
            </a>
          ),
      )}
    </span>
  );
}

function FactSeen({ row, name, sides }: { row: Row; name: string; sides: readonly [Edition, Edition] }) {
  const { t } = useTranslation();
  const site = useSite();
  const [shown, setShown] = useState(false);
  return (
    <>
      <span>
        <ActionLink onClick={() => setShown(!shown)} expanded={shown}>
          {t("editions.seen")}
          <span className="unseen">: {name}</span>
        </ActionLink>
      </span>
      {shown && (
        <div className="grid gap-3 xl:grid-cols-2">
          {sides.map((edition) => (
            <ProofsProvider key={edition.number} site={site.slug} path="/" at="" edition={edition.number}>
              <SideProofs title={t("editions.number", { number: edition.number })} row={row} />
            </ProofsProvider>
          ))}
        </div>
      )}
    </>
  );
}

/** What visitors saw of a difference between two editions: a fact in its places, a page as it was. */
export function Seen({ change, sides }: { change: Change; sides: readonly [Edition, Edition] }) {
  if (change.kind !== "fact") return <PageLinks change={change} sides={sides} />;
  const row = ROW_OF.get(change.key);
  return row?.slots.length ? <FactSeen row={row} name={change.name} sides={sides} /> : null;
}
