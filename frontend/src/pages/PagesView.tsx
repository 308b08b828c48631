import { useRef, useState } from "react";
import { Link, useLocation } from "react-router";
import type { Page } from "../api/client";
import { useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ColumnHead } from "../ui/ColumnHead";
import { useComesIntoView, useNamed, type Named } from "../ui/named";
import { ActionLink } from "../ui/ActionLink";
import { later } from "../ui/later";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { Tick } from "../ui/Tick";
import { useSettled } from "../ui/useSettled";
import { ViewHead } from "../ui/ViewHead";
import { usePageList } from "./api";
import { DragHandle, useDrag, type Drag } from "./drag";
import { ChosenBar } from "./ChosenBar";
import type { FromList } from "./fromList";
import { PageAddress, PageState } from "./PageCells";
import { PagesTabs, type Preloaded } from "./PagesTabs";
import { RemovedPages } from "./RemovedPages";
import { useChosen, type Chosen } from "./useChosen";

const AddEvent = later(async () => (await import("./AddEvent")).AddEvent);
const ImportPanel = later(async () => (await import("./ImportPanel")).ImportPanel);
const AddPage = later(async () => (await import("./AddPage")).AddPage);
const CELL = "border-b border-line px-3 py-2.5 text-start align-middle";

const DEPTH = 1.4;

interface RowProps {
  page: Page;
  depth: number;
  mayEdit: boolean;
  named: boolean;
  drag: Drag;
  chosen: boolean;
  onChoose: (page: Page, on: boolean) => void;
  from: FromList;
}

function Title({ page, depth, from }: Pick<RowProps, "page" | "depth" | "from">) {
  const { t } = useTranslation();
  const site = useSite();
  return (
    <span
      className="block min-w-0 break-words"
      dir="auto"
      style={{ paddingInlineStart: `${String(depth * DEPTH)}rem` }}
    >
      <Link
        to={`/${site.slug}/pages/${String(page.id)}`}
        state={from}
        title={t("pages.edit")}
        className="inline-block min-h-6 rounded-sm font-semibold hover:underline"
      >
        {page.shown_title}
      </Link>
    </span>
  );
}

function PageRow({ page, depth, mayEdit, named, drag, chosen, onChoose, from }: RowProps) {
  const { t } = useTranslation();
  const dragged = mayEdit && page.kind !== "post";
  const format = useFormat();
  const row = useRef<HTMLTableRowElement>(null);
  useComesIntoView(row, named);
  return (
    <tr
      ref={row}
      aria-selected={mayEdit ? chosen : undefined}
      className="group/row hover:bg-ground aria-selected:bg-act-soft data-[over=after]:shadow-[inset_0_-2px_var(--act)] data-[over=before]:shadow-[inset_0_2px_var(--act)] data-[over=into]:bg-act-soft"
      data-over={drag.over?.page === page.id ? drag.over.where : undefined}
      {...(dragged ? drag.rowEvents(page) : {})}
    >
      <th scope="row" className={`${CELL} relative font-semibold ${mayEdit ? "ps-5" : "ps-6"}`}>
        {dragged && <DragHandle page={page} drag={drag} />}
        <span className="flex items-center">
          {mayEdit && (
            <Tick
              label={t("several.tick", { title: page.shown_title })}
              checked={chosen}
              onChange={(on) => onChoose(page, on)}
            />
          )}
          <span className="min-w-0">
            <Title page={page} depth={depth} from={from} />
            <span
              className="block font-code text-xs font-normal sm:hidden"
              style={{ paddingInlineStart: `${String(depth * DEPTH)}rem` }}
            >
              <PageAddress page={page} />
            </span>
          </span>
        </span>
      </th>
      <td className={`${CELL} max-md:hidden`} dir="auto">
        {page.tab_title}
      </td>
      <td className={`${CELL} font-code text-xs max-sm:hidden`}>
        <PageAddress page={page} />
      </td>
      <td className={`${CELL} text-soft max-sm:hidden`}>{page.published ? format.day(page.published) : ""}</td>
      <td className={`${CELL} max-sm:pe-6`}>
        <PageState page={page} />
      </td>
    </tr>
  );
}

type PageList = ReturnType<typeof usePageList>;

function PageTable({
  list,
  mayEdit,
  named,
  sought,
  from,
  chosen,
}: {
  list: PageList;
  mayEdit: boolean;
  named: Named;
  sought: string;
  from: FromList;
  chosen: Chosen;
}) {
  const { t } = useTranslation();
  const drag = useDrag();
  const windows = list.data?.pages ?? [];
  const found = windows.flatMap(({ rows }) => rows);
  const before = windows[0]?.start ?? 0;
  const after = (windows[0]?.count ?? 0) - before - found.length;
  return (
    <>
      {before > 0 && (
        <button type="button" className="act-link m-6" onClick={() => void list.fetchPreviousPage()}>
          {t("pages.earlier", { count: before })}
        </button>
      )}
      {found.length === 0 ? (
        <p className="px-6 py-4 text-soft">{sought ? t("pages.none", { sought }) : t("pages.empty")}</p>
      ) : (
        <table className="w-full border-collapse border-t border-ink">
          <thead className="text-xs text-soft">
            <tr>
              <ColumnHead className={`py-1.5 ${mayEdit ? "ps-14 max-sm:ps-16" : "ps-6"}`}>
                {t("pages.title")}
              </ColumnHead>
              <ColumnHead className="px-3 max-md:hidden">{t("pages.tabTitle")}</ColumnHead>
              <ColumnHead className="px-3 max-sm:hidden">{t("pages.address")}</ColumnHead>
              <ColumnHead className="px-3 max-sm:hidden">{t("pages.published")}</ColumnHead>
              <ColumnHead className="px-3">{t("pages.is")}</ColumnHead>
            </tr>
          </thead>
          <tbody>
            {found.map((page) => (
              <PageRow
                key={page.id === named.number ? named.visit : page.id}
                page={page}
                depth={sought ? 0 : page.depth}
                mayEdit={mayEdit}
                named={page.id === named.number}
                drag={drag}
                chosen={chosen.pages.has(page.id)}
                onChoose={chosen.choose}
                from={from}
              />
            ))}
          </tbody>
        </table>
      )}
      {after > 0 && (
        <button type="button" className="act-link m-6" onClick={() => void list.fetchNextPage()}>
          {t("pages.more", { count: after })}
        </button>
      )}
    </>
  );
}

export function PagesView({ titles }: { titles: Preloaded }) {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const mayEdit = site.may.edit.allowed;
  const named = useNamed("page");
  const from = useLocation().state as Partial<FromList> | null;
  const [search, setSearch] = useState({ visit: named.visit, words: from?.sought ?? "" });
  // Who was led to a page looks for nothing else any more; who comes back from one finds what was looked for.
  const sought = search.visit === named.visit ? search.words : (from?.sought ?? "");
  const settled = useSettled(sought.trim(), 150);
  const pages = usePageList(site.slug, settled, named.number);
  const [adds, setAdds] = useState<"page" | "event" | "import" | null>(null);
  const chosen = useChosen(pages.data?.pages.flatMap(({ rows }) => rows) ?? []);
  useUndoKeys(store, mayEdit);
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper">
      <ViewHead title={t("view.pages")} lead={t("pages.lead")} />
      <PagesTabs other={titles} />
      {!adds && (
        <p className="px-6 pb-3">
          {mayEdit && <ActionLink onClick={() => setAdds("page")}>{t("addPage.addOne")}</ActionLink>}
          {mayEdit && <ActionLink onClick={() => setAdds("event")}>{t("event.addOne")}</ActionLink>}
          <ActionLink onClick={() => setAdds("import")}>{t("imports.open")}</ActionLink>
        </p>
      )}
      {adds === "import" && <ImportPanel mayEdit={mayEdit} onClose={() => setAdds(null)} />}
      {adds === "event" && <AddEvent onDone={() => setAdds(null)} />}
      {adds === "page" && <AddPage onDone={() => setAdds(null)} />}
      <div className="flex flex-wrap items-center gap-4 px-6 pb-3">
        <SearchField
          label={t("pages.find")}
          value={sought}
          onType={(words) => setSearch({ visit: named.visit, words })}
        />
        {mayEdit && <UndoButtons />}
      </div>
      <QueryBoundary query={pages}>
        {() => (
          <PageTable
            key={named.number ? named.visit : "all"}
            list={pages}
            mayEdit={mayEdit}
            named={named}
            sought={settled}
            from={{ sought: sought.trim() }}
            chosen={chosen}
          />
        )}
      </QueryBoundary>
      <RemovedPages />
      {mayEdit && <ChosenBar chosen={chosen} />}
    </div>
  );
}
