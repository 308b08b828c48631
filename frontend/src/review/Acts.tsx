import { ExternalLink } from "lucide-react";
import { Link } from "react-router";
import type { Site } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { useProofs } from "../proofs/ProofsProvider";
import { SiteMark } from "../sites";
import { Button } from "../ui/Button";
import type { Changes, Publishing, usePublish } from "./api";

/** The id of the button that publishes, for the way there from the top. */
export const PUBLISH = "publish";

interface Props {
  site: Site;
  changes: Changes;
  publish: ReturnType<typeof usePublish>;
  publishing: Publishing;
  isReread: boolean;
}

/** A label that others take the place of, as wide as the widest of them: what is about to be clicked stays there. */
function Steady({ label, all }: { label: string; all: string[] }) {
  return (
    <span className="grid">
      {[...new Set([label, ...all])].map((one) => (
        <span key={one} className={`col-start-1 row-start-1 ${one === label ? "" : "invisible"}`}>
          {one}
        </span>
      ))}
    </span>
  );
}

/** Publishing and the ways out; it waits until what is to be published was drawn, or can't be. */
export function Acts({ site, changes, publish, publishing, isReread }: Props) {
  const { t } = useTranslation();
  const waits = useProofs((state) => state.waits && Object.keys(state.proofs).length === 0);
  const mustWait = waits || isReread;
  const held = publishing.held.length;
  const count = changes.count - held;
  const publishes = changes.live_number === 0 ? t("review.publishFirst") : t("review.publish", { count });
  const label = publish.isPending ? t("review.publishing") : waits ? t("review.drawing") : publishes;
  return (
    // It stays where it is while what stands above it comes: else a click would miss it. In a low window, such as at
    // 200 % on a small screen, it would hide what is reviewed.
    <div className="sticky bottom-0 z-10 [@media(max-height:480px)]:static -mx-6 mt-auto flex flex-wrap items-center gap-x-6 gap-y-1 border-t border-line bg-paper px-6 py-2.5 sm:gap-y-3 sm:py-4">
      {site.may.publish.allowed ? (
        <Button
          id={PUBLISH}
          disabled={publish.isPending || count === 0}
          // Who comes by keyboard finds it also while it waits: what is disabled can't be reached.
          aria-disabled={mustWait}
          className="aria-disabled:opacity-60"
          onClick={() => !mustWait && publish.mutate(publishing)}
        >
          <Steady label={label} all={[publishes, t("review.drawing"), t("review.publishing")]} />
          <SiteMark site={site} />
        </Button>
      ) : (
        <p className="text-soft">{site.may.publish.reason}</p>
      )}
      {held > 0 && (
        <p role="status" className="text-soft">
          {t("review.held", { count: held })}
        </p>
      )}
      <a
        href={changes.preview_url}
        target="_blank"
        rel="noreferrer"
        className="act-link inline-flex items-center gap-1.5"
      >
        {t("review.preview")} <ExternalLink size={13} aria-hidden />
      </a>
      <Link to={`/${site.slug}/style`} className="act-link">
        {t("review.back")}
      </Link>
    </div>
  );
}
