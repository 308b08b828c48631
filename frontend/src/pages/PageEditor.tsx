import { Fragment, useEffect, useState } from "react";
import type { Page, PageFull } from "../api/client";
import { ConflictChoice } from "../draft/ConflictChoice";
import { asText } from "../draft/document";
import { FieldErrors } from "../draft/FieldErrors";
import { FieldStatus } from "../draft/FieldStatus";
import { useFact, useSelect, useSite, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { TextField } from "../draft/TextField";
import { useTranslation } from "../i18n/useTranslation";
import { CheckBox } from "../ui/CheckBox";
import { later } from "../ui/later";
import { Notice } from "../ui/Notice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { usePage } from "./api";
import { PageActions } from "./PageActions";
import { PageLook } from "./PageLook";
import { PageProofs } from "./PageProofs";
import { SharedParts } from "./SharedParts";

const EventEditor = later(async () => (await import("./EventEditor")).EventEditor);
const MarkdownEditor = later(async () => (await import("./MarkdownEditor")).MarkdownEditor);
const FIELDS = ["title", "own_title", "menu_title", "summary", "path"] as const;
type Field = (typeof FIELDS)[number] | "body";

const LOOKS: Partial<Record<Field, string>> = { title: "text-base font-medium", path: "font-code text-[13px]" };

function InMenu({ document }: { document: DocumentId }) {
  const { t } = useTranslation();
  const store = useStore();
  const on = useSelect((one) => one.document(document).value("in_menu") === true);
  return (
    <CheckBox checked={on} onChange={(in_menu) => store.choose(document, { in_menu })}>
      {t("page.in_menu")}
    </CheckBox>
  );
}

function Posted({ document }: { document: DocumentId }) {
  const { t } = useTranslation();
  const store = useStore();
  const day = useSelect((one) => asText(one.document(document).value("published")));
  const at = useSelect((one) => asText(one.document(document).value("published_at")).slice(0, 5));
  return (
    <div className="flex flex-wrap gap-3">
      <label className="grid gap-0.5">
        <span className="text-xs text-soft">{t("page.published")}</span>
        <input
          type="date"
          required
          value={day}
          className="w-44 rounded-sm border border-soft bg-paper px-2 py-1.5"
          onChange={(event) => event.target.value && store.choose(document, { published: event.target.value })}
        />
      </label>
      <label className="grid gap-0.5">
        <span className="text-xs text-soft">{t("page.publishedAt")}</span>
        <input
          type="time"
          value={at}
          className="w-32 rounded-sm border border-soft bg-paper px-2 py-1.5"
          onChange={(event) => store.choose(document, { published_at: event.target.value || null })}
        />
      </label>
    </div>
  );
}

function Words({ document, field }: { document: DocumentId; field: Field }) {
  const { t } = useTranslation();
  const id = `${document}-${field}`;
  const language = useFact("language");
  return (
    <div>
      <p id={id} className="text-xs text-soft">
        {t(`page.${field}`)}
      </p>
      {field === "body" ? (
        <MarkdownEditor
          document={document}
          field={field}
          labelledBy={id}
          describedBy={`${id}-wrong`}
          language={language}
        />
      ) : (
        <TextField
          document={document}
          field={field}
          labelledBy={id}
          describedBy={`${id}-wrong`}
          placeholder={field === "path" ? "" : t(`page.${field}Empty`)}
          readOnly={false}
          className={LOOKS[field] ?? ""}
        />
      )}
      <ConflictChoice document={document} field={field} />
      <FieldErrors document={document} field={field} id={`${id}-wrong`} />
      <p className="text-xs text-soft">
        <FieldStatus document={document} field={field} />
      </p>
    </div>
  );
}

function Opened({ page }: { page: PageFull }) {
  const store = useStore();
  const [document] = useState<DocumentId>(`page:${String(page.id)}` as DocumentId);
  const open = useSelect((one) => one.page(page.id) !== undefined);
  useEffect(() => void store.openPage(page), [store, page]);
  if (!open) return null;
  return (
    <div className="grid max-w-3xl gap-3 py-2 sm:grid-cols-2">
      {page.notices
        .filter(({ field }) => !field.startsWith("schedule"))
        .map((notice, index) => (
          <div key={index} className="sm:col-span-2">
            <Notice tone="warn">{notice.message}</Notice>
          </div>
        ))}
      {FIELDS.map((field) => (
        <Fragment key={field}>
          {(field !== "path" || page.path !== "/") && (
            <div className={field === "menu_title" || field === "path" ? "" : "sm:col-span-2"}>
              <Words document={document} field={field} />
            </div>
          )}
          {field === "menu_title" && page.kind !== "post" && page.kind !== "not_found" && (
            <InMenu document={document} />
          )}
        </Fragment>
      ))}
      {page.kind === "post" && <Posted document={document} />}
      {page.kind === "event" && <EventEditor document={document} />}
      <div className="sm:col-span-2">
        <Words document={document} field="body" />
      </div>
      <div className="sm:col-span-2">
        <SharedParts document={document} />
      </div>
    </div>
  );
}

/** All that a page says, saved as it is typed; and what can be done with it as a whole. */
export function PageEditor({ page }: { page: Page }) {
  const site = useSite();
  const full = usePage(site.slug, page.id);
  return (
    <QueryBoundary query={full}>
      {(now) => (
        <>
          <div className="grid gap-6 xl:grid-cols-[minmax(0,44rem)_minmax(0,1fr)]">
            <Opened page={now} />
            <PageLook page={page.id} path={now.path} />
          </div>
          {now.kind !== "not_found" && (
            <div className="py-3">
              <PageProofs page={page.id} path={now.path} />
            </div>
          )}
          <PageActions page={now} />
        </>
      )}
    </QueryBoundary>
  );
}
