import { useTranslation } from "react-i18next";
import { NoConnection } from "../api/problem";
import type { Upload } from "./useUploads";

function Outcome({ upload }: { upload: Upload }) {
  const { t } = useTranslation();
  if (upload.error) {
    return <span className="text-stop">{upload.error instanceof NoConnection ? t("bring.lost", { name: upload.name }) : upload.error.message}</span>;
  }
  if (upload.taken) {
    const notes = upload.taken.picture.notes.join(" ");
    return (
      <span>
        {t(upload.taken.isNew ? "bring.taken" : "bring.known", { name: upload.taken.picture.name })} <span className="text-soft">{notes}</span>
      </span>
    );
  }
  return (
    <>
      <span className="min-w-0 flex-1 truncate">{upload.progress < 1 ? upload.name : t("bring.looking", { name: upload.name })}</span>
      <progress value={upload.progress} aria-label={t("bring.progress", { name: upload.name })} className="h-1.5 w-24 flex-none accent-act" />
    </>
  );
}

/** How each file fares: on its way, taken, or refused with the reason. */
export function UploadList({ uploads, onDismiss }: { uploads: Upload[]; onDismiss: (id: number) => void }) {
  const { t } = useTranslation();
  return (
    <ul aria-live="polite" className="mt-1.5 grid gap-1 text-xs empty:hidden">
      {uploads.map((upload) => (
        <li key={upload.id} className="flex items-baseline gap-3">
          <Outcome upload={upload} />
          {(upload.error || upload.taken) && (
            <button type="button" className="act-link ms-auto flex-none" onClick={() => onDismiss(upload.id)}>
              {t("bring.dismiss")}
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
