import { useCallback, useRef, useState, type ClipboardEvent, type DragEvent, type ReactNode } from "react";
import { useTranslation } from "react-i18next";
import { UploadList } from "./UploadList";
import { useUploads } from "./useUploads";
import { usePictures, type Picture } from "./api";

export const ACCEPTS = "image/png,image/jpeg,image/webp,image/avif,image/gif,image/svg+xml,image/x-icon,.ico,.svg";

interface Props {
  site: string;
  several?: boolean;
  label: string;
  children?: ReactNode;
  /** What else can be done here, beside bringing a picture. */
  actions?: ReactNode;
  onTaken?: (picture: Picture) => void;
}

/** A place for pictures to be dropped on, pasted into or chosen for; says how each one fares. */
export function BringPictures({ site, several = false, label, children, actions, onTaken }: Props) {
  const { t } = useTranslation();
  const most = usePictures(site).data?.most_bytes ?? Infinity;
  // What is far too large would be cut off on its way, and the reason with it.
  const refusal = useCallback((file: File) => (file.size > most ? t("bring.tooHeavy", { name: file.name, megabytes: Math.round(most / 1e6) }) : null), [most, t]);
  const { uploads, start, dismiss } = useUploads(site, refusal, onTaken);
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);

  function take(files: FileList | null) {
    const all = [...(files ?? [])];
    if (all.length) start(several ? all : all.slice(0, 1));
  }
  function onDrop(event: DragEvent) {
    event.preventDefault();
    setOver(false);
    take(event.dataTransfer.files);
  }
  function onPaste(event: ClipboardEvent) {
    if (!event.clipboardData.files.length) return;
    event.preventDefault();
    take(event.clipboardData.files);
  }
  return (
    <div
      onDrop={onDrop}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onPaste={onPaste}
      className={`rounded-md ${over ? "outline-2 outline-offset-2 outline-act outline-dashed" : ""}`}
    >
      {children}
      <div className="flex flex-wrap items-baseline">
        <button type="button" className="act-link me-3" onClick={() => input.current?.click()}>
          {label}
        </button>
        {actions}
      </div>
      <p className="text-xs text-soft">{t("bring.or")}</p>
      <input
        ref={input}
        type="file"
        accept={ACCEPTS}
        multiple={several}
        className="hidden"
        onChange={(event) => {
          take(event.target.files);
          event.target.value = "";
        }}
      />
      <UploadList uploads={uploads} onDismiss={dismiss} />
    </div>
  );
}
