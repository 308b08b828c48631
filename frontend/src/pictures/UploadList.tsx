import { NoConnection } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import type { Upload } from "./useUploads";

function Outcome({ upload }: { upload: Upload }) {
  const { t } = useTranslation();
  if (upload.error) {
    return (
      <span className="text-stop">
        {upload.error instanceof NoConnection ? t("upload.lost", { name: upload.name }) : upload.error.message}
      </span>
    );
  }
  if (upload.done) {
    const notes = upload.done.picture.notes.join(" ");
    return (
      <span>
        {t(upload.done.isNew ? "upload.done" : "upload.known", { name: upload.done.picture.name })}{" "}
        <span className="text-soft">{notes}</span>
      </span>
    );
  }
  return (
    <>
      <span className="min-w-0 flex-1 truncate">
        {upload.progress < 1 ? upload.name : t("upload.looking", { name: upload.name })}
      </span>
      <progress
        value={upload.progress}
        aria-label={t("upload.progress", { name: upload.name })}
        className="h-1.5 w-24 flex-none accent-act"
      />
    </>
  );
}

/** How each file fares: on its way, there, or refused with the reason. */
export function UploadList({ uploads, onDismiss }: { uploads: Upload[]; onDismiss: (id: number) => void }) {
  const { t } = useTranslation();
  return (
    <ul className="mt-1.5 grid gap-1 text-xs empty:hidden">
      {uploads.map((upload) => (
        <li key={upload.id} className="flex items-baseline gap-3">
          <span aria-live="polite" className="flex min-w-0 flex-1 items-baseline gap-3">
            <Outcome upload={upload} />
          </span>
          {(upload.error || upload.done) && (
            <button type="button" className="act-link ms-auto flex-none" onClick={() => onDismiss(upload.id)}>
              {t("upload.dismiss")}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
