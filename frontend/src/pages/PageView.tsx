import { ArrowLeft } from "lucide-react";
import { useState } from "react";
import { Link, useLocation, useParams, useSearchParams } from "react-router";
import type { PageFull } from "../api/client";
import { useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useTranslation } from "../i18n/useTranslation";
import { AuthorLine } from "../ui/AuthorLine";
import { PillChoice } from "../ui/PillChoice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useMatch } from "../ui/useNarrow";
import { usePage } from "./api";
import { PageAddress, PageState } from "./PageCells";
import { PageChanges } from "./PageChanges";
import { PageEditor } from "./PageEditor";
import { PageLook } from "./PageLook";
import type { FromList } from "./fromList";

/** The changed page, as it will be and by what is changed in it. */
const LOOKS = ["look", "changes"] as const;
const SIDES = ["text", ...LOOKS] as const;
type Side = (typeof SIDES)[number];
/** Where the text and the page stand side by side. */
const WIDE = "(min-width: 1100px)";

/** The way back to the page's spot among all pages; also from one that is gone. */
function Back({ number }: { number: number }) {
  const { t } = useTranslation();
  const site = useSite();
  const from = useLocation().state as FromList | null;
  return (
    <p className="px-6 pt-3">
      <Link
        to={`/${site.slug}/pages?page=${String(number)}`}
        state={from}
        className="act-link inline-flex min-h-8 items-center gap-1.5"
      >
        <ArrowLeft size={15} aria-hidden className="rtl:-scale-x-100" /> {t("page.back")}
      </Link>
    </p>
  );
}

/** What the page is, and where it stands. */
function Head({ page, mayEdit }: { page: PageFull; mayEdit: boolean }) {
  return (
    <div className="px-6 pb-2">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 dir="auto" className="min-w-0 text-[22px] leading-tight font-[650] tracking-tight break-words">
          {page.shown_title}
        </h1>
        <PageState page={page} />
        <span className="font-code text-xs">
          <PageAddress page={page} />
        </span>
        {page.author && page.state !== "live" && <AuthorLine author={page.author} />}
        {mayEdit && <UndoButtons />}
      </div>
    </div>
  );
}

/** The text and the real page: side by side where there is room, else in turn. */
function Sides({ page, mayEdit }: { page: PageFull; mayEdit: boolean }) {
  const { t } = useTranslation();
  const isWide = useMatch(WIDE);
  const [search] = useSearchParams();
  const [chosen, setSide] = useState<Side>(search.get("side") === "changes" ? "changes" : mayEdit ? "text" : "look");
  const isChanged = page.state === "changed";
  const sides = (isWide || !mayEdit ? LOOKS : SIDES).filter((one) => one !== "changes" || isChanged);
  const side = sides.find((one) => one === chosen) ?? (isWide || !mayEdit ? "look" : "text");
  const besides = isWide && mayEdit;
  const choice = sides.length > 1 && (
    <PillChoice
      label={t("page.side")}
      all={sides}
      chosen={side}
      words={(one) => t(`page.sides.${one}`)}
      onChoose={setSide}
    />
  );
  return (
    <div className="px-6 pb-8">
      {!besides && choice && (
        <div className="sticky top-14 z-10 -mx-6 mb-2 border-b border-line bg-paper px-6 py-1.5">{choice}</div>
      )}
      <div className={besides ? "grid grid-cols-[minmax(26rem,44rem)_minmax(0,1fr)] gap-6" : ""}>
        {/* What is being typed stays while the page is looked at. */}
        {mayEdit && (
          <div className={besides || side === "text" ? "min-w-0" : "hidden"}>
            <PageEditor page={page} />
          </div>
        )}
        {side !== "text" && (
          <div className="sticky top-18 flex h-[calc(100dvh-11.5rem)] min-h-96 flex-col gap-1">
            {besides && choice}
            <div className="min-h-0 flex-1">
              {side === "look" ? (
                <PageLook page={page.id} path={page.path} narrow={!isWide} />
              ) : (
                <PageChanges page={page.id} mayEdit={mayEdit} />
              )}
            </div>
          </div>
        )}
      </div>
    </div>
  );
}

function OnePage({ number }: { number: number }) {
  const site = useSite();
  const store = useStore();
  const mayEdit = site.may.edit.allowed;
  const page = usePage(site.slug, number);
  useUndoKeys(store, mayEdit);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      <Back number={number} />
      <QueryBoundary query={page}>
        {(now) => (
          <>
            <Head page={now} mayEdit={mayEdit} />
            <Sides page={now} mayEdit={mayEdit} />
          </>
        )}
      </QueryBoundary>
    </div>
  );
}

/** One page: its text, and beside it the page as it will be. */
export function PageView() {
  const { page } = useParams();
  return <OnePage key={page} number={Number(page)} />;
}
