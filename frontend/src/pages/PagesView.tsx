import { ExternalLink, Pencil } from "lucide-react";
import { useRef, useState } from "react";
import type { Page } from "../api/client";
import { useSite, useStore } from "../draft/hooks";
import { UndoButtons } from "../draft/UndoButtons";
import { useUndoKeys } from "../draft/useUndoKeys";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { useComesIntoView, useNamed, type Named } from "../ui/named";
import { ActionLink } from "../ui/ActionLink";
import { later } from "../ui/later";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { useSettled } from "../ui/useSettled";
import { ViewHead } from "../ui/ViewHead";
import { usePageList } from "./api";
import { DragHandle, useDrag, type Drag } from "./drag";
import { PageEditor } from "./PageEditor";
import { PagesTabs, type Preloaded } from "./PagesTabs";
import { RemovedPages } from "./RemovedPages";

const AddEvent = later(async () => (await import("./AddEvent")).AddEvent);
const ImportPanel = later(async () => (await import("./ImportPanel")).ImportPanel);
const AddPage = later(async () => (await import("./AddPage")).AddPage);
const CELL = "border-b border-line px-3 py-2.5 text-start align-baseline";

function Title({
  page,
  depth,
  open,
  onOpen,
}: {
  page: Page;
  depth: number;
  open: boolean;
  onOpen: (() => void) | undefined;
}) {
  const { t } = useTranslation();
  return (
    <span className="block break-words" dir="auto" style={{ paddingInlineStart: `${String(depth * 1.4)}rem` }}>
      {onOpen ? (
        <button
          type="button"
          aria-expanded={open}
          title={t("pages.edit")}
          className="rounded-sm text-start font-semibold hover:underline"
          onClick={onOpen}
        >
          {page.shown_title} <Pencil size={12} aria-hidden className="ms-1 inline text-soft" />
        </button>
      ) : (
        page.shown_title
      )}
    </span>
  );
}

function Address({ page }: { page: Page }) {
  const { t } = useTranslation();
  if (page.state === "new") return <span className="break-all text-soft">{page.path}</span>;
  return (
    <a
      href={page.address}
      target="_blank"
      rel="noreferrer"
      className="act-link inline-flex items-baseline gap-1 font-normal break-all"
    >
      {page.path} <ExternalLink size={11} className="flex-none" aria-label={t("pages.opens")} />
    </a>
  );
}

function State({ page }: { page: Page }) {
  const { t } = useTranslation();
  const format = useFormat();
  const quiet = page.state === "live" || page.state === "held";
  return (
    <span className={quiet ? "text-soft" : "rounded-sm bg-mark px-1.5 whitespace-nowrap text-on-mark"}>
      {t(`pages.state.${page.state}`, { day: page.published ? format.day(page.published) : "" })}
    </span>
  );
}

interface RowProps {
  page: Page;
  depth: number;
  mayEdit: boolean;
  named: boolean;
  drag: Drag;
}

function PageRow({ page, depth, mayEdit, named, drag }: RowProps) {
  const dragged = mayEdit && page.kind !== "post";
  const format = useFormat();
  const [open, setOpen] = useState(named && mayEdit);
  const row = useRef<HTMLTableRowElement>(null);
  useComesIntoView(row, named);
  return (
    <>
      <tr
        ref={row}
        className="group/row hover:bg-ground data-[over=after]:shadow-[inset_0_-2px_var(--act)] data-[over=before]:shadow-[inset_0_2px_var(--act)] data-[over=into]:bg-act-soft"
        data-over={drag.over?.page === page.id ? drag.over.where : undefined}
        {...(dragged ? drag.rowEvents(page) : {})}
      >
        <th scope="row" className={`${CELL} relative ps-6 font-semibold`}>
          {dragged && <DragHandle page={page} drag={drag} />}
          <Title page={page} depth={depth} open={open} onOpen={mayEdit ? () => setOpen(!open) : undefined} />
          <span
            className="block font-code text-xs font-normal sm:hidden"
            style={{ paddingInlineStart: `${String(depth * 1.4)}rem` }}
          >
            <Address page={page} />
          </span>
        </th>
        <td className={`${CELL} max-md:hidden`} dir="auto">
          {page.tab_title}
        </td>
        <td className={`${CELL} font-code text-xs max-sm:hidden`}>
          <Address page={page} />
        </td>
        <td className={`${CELL} text-soft max-sm:hidden`}>{page.published ? format.day(page.published) : ""}</td>
        <td className={`${CELL} max-sm:pe-6`}>
          <State page={page} />
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={5} className="border-b border-line px-6 py-2">
            <PageEditor page={page} />
          </td>
        </tr>
      )}
    </>
  );
}

type PageList = ReturnType<typeof usePageList>;

function PageTable({
  list,
  mayEdit,
  named,
  sought,
}: {
  list: PageList;
  mayEdit: boolean;
  named: Named;
  sought: string;
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
              <th scope="col" className="py-1.5 ps-6 text-start font-normal">
                {t("pages.title")}
              </th>
              <th scope="col" className="px-3 text-start font-normal max-md:hidden">
                {t("pages.tabTitle")}
              </th>
              <th scope="col" className="px-3 text-start font-normal max-sm:hidden">
                {t("pages.address")}
              </th>
              <th scope="col" className="px-3 text-start font-normal max-sm:hidden">
                {t("pages.published")}
              </th>
              <th scope="col" className="px-3 text-start font-normal">
                {t("pages.is")}
              </th>
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
  const [search, setSearch] = useState({ visit: named.visit, words: "" });
  // Who was led to a page looks for nothing else any more.
  const sought = search.visit === named.visit ? search.words : "";
  const settled = useSettled(sought.trim(), 150);
  const pages = usePageList(site.slug, settled, named.number);
  const [adds, setAdds] = useState<"page" | "event" | "import" | null>(null);
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
          />
        )}
      </QueryBoundary>
      <RemovedPages />
    </div>
  );
}
