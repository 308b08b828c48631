import type { Change } from "../api/client";
import { ROW_OF } from "../draft/facts";
import { useTranslation } from "../i18n/useTranslation";
import { ProofsProvider } from "../proofs/ProofsProvider";
import { SideProofs } from "../proofs/SideProofs";

interface Props {
  change: Change;
  site: string;
  /** The page whose proofs are shown. */
  path: string;
  /** The edition that visitors see now; 0 before the first. */
  live: number;
}

/** Draws, beside a changed fact, where it is seen: now, and as it will be, both read back from rendered pages. */
export function ChangeProofs({ change, site, path, live }: Props) {
  const { t } = useTranslation();
  const row = change.kind === "fact" ? ROW_OF.get(change.key) : undefined;
  if (!row?.slots.length) return null;
  return (
    <div className="grid content-start gap-3 max-lg:col-span-full xl:grid-cols-2">
      {live > 0 && (
        <ProofsProvider site={site} path={path} at="" edition={live}>
          <SideProofs title={t("review.proofsNow")} row={row} />
        </ProofsProvider>
      )}
      <SideProofs title={t("review.proofsThen")} row={row} />
    </div>
  );
}
