import { useEffect, useState } from "react";
import { useTranslation } from "react-i18next";
import type { PageFull } from "../api/client";
import { ConflictChoice } from "../draft/ConflictChoice";
import { FieldErrors } from "../draft/FieldErrors";
import { FieldStatus } from "../draft/FieldStatus";
import { useSelect, useSite, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { TextField } from "../draft/TextField";
import { later } from "../ui/later";
import { Notice } from "../ui/Notice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { usePage } from "./api";

const EventEditor = later(async () => (await import("./EventEditor")).EventEditor);
const FIELDS = ["title", "menu_title", "summary"] as const;
type Field = (typeof FIELDS)[number] | "body";

function Words({ document, field }: { document: DocumentId; field: Field }) {
  const { t } = useTranslation();
  const id = `${document}-${field}`;
  return (
    <div>
      <p id={id} className="text-xs text-soft">
        {t(`page.${field}`)}
      </p>
      <TextField
        lines={field === "body"}
        document={document}
        field={field}
        labelledBy={id}
        describedBy={`${id}-wrong`}
        placeholder={t(`page.${field}Empty`)}
        readOnly={false}
        className={field === "title" ? "text-base font-medium" : ""}
      />
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
        <div key={field} className={field === "menu_title" ? "" : "sm:col-span-2"}>
          <Words document={document} field={field} />
        </div>
      ))}
      {page.kind === "event" && (
        <>
          <EventEditor document={document} />
          <div className="sm:col-span-2">
            <Words document={document} field="body" />
          </div>
        </>
      )}
    </div>
  );
}

/** The words by which a page is known: its title, its menu entry, its summary. Saved as they are typed. */
export function PageEditor({ page }: { page: number }) {
  const site = useSite();
  const full = usePage(site.slug, page);
  return <QueryBoundary query={full}>{(now) => <Opened page={now} />}</QueryBoundary>;
}
