import { Fragment, useEffect, useState } from "react";
import type { PageFull } from "../api/client";
import { NEVER_IN_MENU } from "../api/lists.gen";
import { ConflictChoice } from "../draft/ConflictChoice";
import { asText } from "../draft/document";
import { FieldErrors } from "../draft/FieldErrors";
import { FieldStatus } from "../draft/FieldStatus";
import { useFact, useSelect, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { WhenField } from "../draft/when/WhenField";
import { TextField } from "../draft/TextField";
import { useTranslation } from "../i18n/useTranslation";
import { CheckBox } from "../ui/CheckBox";
import { later } from "../ui/later";
import { Notice } from "../ui/Notice";
import { BodyConflict } from "./BodyConflict";
import { PageActions } from "./PageActions";
import { PageProofs } from "./PageProofs";
import { SharedParts } from "./SharedParts";

const EventEditor = later(async () => (await import("./EventEditor")).EventEditor);
const MarkdownEditor = later(async () => (await import("./MarkdownEditor")).MarkdownEditor);
/** What is said of a page beside its title and its text. */
const FURTHER = ["menu_title", "path", "own_title", "summary"] as const;
type Field = (typeof FURTHER)[number] | "title" | "body";

const LOOKS: Partial<Record<Field, string>> = { title: "text-xl font-semibold", path: "font-code text-[13px]" };

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
      <span className="grid gap-0.5">
        <label htmlFor={`${document}-day`} className="text-xs text-soft">
          {t("page.published")}
        </label>
        <WhenField
          wanted="day"
          required
          id={`${document}-day`}
          value={day}
          onChoose={(published) => store.choose(document, { published })}
        />
      </span>
      <span className="grid gap-0.5">
        <label htmlFor={`${document}-at`} className="text-xs text-soft">
          {t("page.publishedAt")}
        </label>
        <WhenField
          wanted="time"
          id={`${document}-at`}
          value={at}
          onChoose={(time) => store.choose(document, { published_at: time || null })}
        />
      </span>
    </div>
  );
}

function Words({ page, field }: { page: number; field: Field }) {
  const { t } = useTranslation();
  const document: DocumentId = `page:${page}`;
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
          fillIns={field !== "path"}
          className={LOOKS[field] ?? ""}
        />
      )}
      {field === "body" ? <BodyConflict page={page} /> : <ConflictChoice document={document} field={field} />}
      <FieldErrors document={document} field={field} id={`${id}-wrong`} />
      <p className="text-xs text-soft">
        <FieldStatus document={document} field={field} />
      </p>
    </div>
  );
}

function Notices({ page }: { page: PageFull }) {
  return page.notices
    .filter(({ field }) => !field.startsWith("schedule"))
    .map((notice, index) => (
      <Notice key={index} tone="warn">
        {notice.message}
      </Notice>
    ));
}

/** Its name in the menu, its address, how it is found and shared, and which parts of the site it shows. */
function Further({ page, document }: { page: PageFull; document: DocumentId }) {
  const { t } = useTranslation();
  return (
    <section aria-labelledby="further" className="grid gap-3 border-t border-line pt-4 sm:grid-cols-2">
      <h2 id="further" className="text-[15px] font-semibold sm:col-span-2">
        {t("page.further")}
      </h2>
      {FURTHER.map((field) => (
        <Fragment key={field}>
          {(field !== "path" || page.path !== "/") && (
            <div className={field === "menu_title" || field === "path" ? "" : "sm:col-span-2"}>
              <Words page={page.id} field={field} />
              {field === "menu_title" && !NEVER_IN_MENU.some((kind) => kind === page.kind) && (
                <InMenu document={document} />
              )}
            </div>
          )}
        </Fragment>
      ))}
      <div className="sm:col-span-2">
        <SharedParts document={document} />
      </div>
      {page.kind !== "not_found" && (
        <div className="sm:col-span-2">
          <PageProofs page={page.id} path={page.path} />
        </div>
      )}
    </section>
  );
}

/** All that a page says, saved as it is typed; and what can be done with it as a whole. */
export function PageEditor({ page }: { page: PageFull }) {
  const store = useStore();
  const [document] = useState<DocumentId>(`page:${String(page.id)}` as DocumentId);
  const open = useSelect((one) => one.page(page.id) !== undefined);
  useEffect(() => void store.openPage(page), [store, page]);
  if (!open) return null;
  return (
    <div className="grid min-w-0 content-start gap-4">
      <Notices page={page} />
      <Words page={page.id} field="title" />
      {page.kind === "post" && <Posted document={document} />}
      {page.kind === "event" && <EventEditor document={document} />}
      <Words page={page.id} field="body" />
      <Further page={page} document={document} />
      <PageActions page={page} />
    </div>
  );
}
