import { useCallback, useEffect, useRef, useState, type ClipboardEvent, type DragEvent, type ReactNode } from "react";
import { useTranslation } from "react-i18next";
import { UploadList } from "./UploadList";
import { useUploads } from "./useUploads";
import { usePictures, type Picture } from "./api";

export const ACCEPTS = "image/png,image/jpeg,image/webp,image/avif,image/gif,image/svg+xml,image/x-icon,.ico,.svg";

type Received = ClipboardEvent | DragEvent | globalThis.ClipboardEvent | globalThis.DragEvent;

/** Without this a browser opens what is dropped, and the desk is gone. */
function allow(event: { preventDefault: () => void }) {
  event.preventDefault();
}

/** Listens to the whole window. */
function useWindow(on: boolean, receive: (event: globalThis.ClipboardEvent | globalThis.DragEvent) => void) {
  useEffect(() => {
    if (!on) return;
    addEventListener("drop", receive);
    addEventListener("paste", receive);
    addEventListener("dragover", allow);
    return () => {
      removeEventListener("drop", receive);
      removeEventListener("paste", receive);
      removeEventListener("dragover", allow);
    };
  }, [on, receive]);
}

interface Props {
  site: string;
  several?: boolean;
  label: string;
  children?: ReactNode;
  /** What else can be done here, beside bringing a picture. */
  actions?: ReactNode;
  onTaken?: (picture: Picture) => void;
  /** Takes what is dropped or pasted anywhere in the window, where nothing else does. */
  anywhere?: boolean;
}

/** A place for pictures to be dropped on, pasted into or chosen for; says how each one fares. */
export function BringPictures({ site, several = false, label, children, actions, onTaken, anywhere = false }: Props) {
  const { t } = useTranslation();
  const most = usePictures(site).data?.most_bytes ?? Infinity;
  // What is far too large would be cut off on its way, and the reason with it.
  const refusal = useCallback((file: File) => (file.size > most ? t("bring.tooHeavy", { name: file.name, megabytes: Math.round(most / 1e6) }) : null), [most, t]);
  const { uploads, start, dismiss } = useUploads(site, refusal, onTaken);
  const [over, setOver] = useState(false);
  const input = useRef<HTMLInputElement>(null);

  const take = useCallback(
    (files: FileList | undefined) => {
      const all = [...(files ?? [])];
      if (all.length) start(several ? all : all.slice(0, 1));
      return all.length > 0;
    },
    [start, several],
  );
  const receive = useCallback(
    (event: Received) => {
      const files = "dataTransfer" in event ? event.dataTransfer?.files : event.clipboardData?.files;
      setOver(false);
      if (take(files) || "dataTransfer" in event) event.preventDefault();
    },
    [take],
  );
  useWindow(anywhere, receive);
  const own = anywhere ? {} : { onDrop: receive, onPaste: receive, onDragOver: allow };

  return (
    <div
      {...own}
      onDragEnter={() => setOver(true)}
      onDragLeave={() => setOver(false)}
      className={`rounded-md ${over ? "outline-2 outline-offset-2 outline-act outline-dashed" : ""}`}
    >
      {children}
      <div className="flex flex-wrap items-baseline">
        <button type="button" className="act-link me-3" onClick={() => input.current?.click()}>
          {label}
        </button>
        {actions}
      </div>
      <p className="text-xs text-soft">{t(anywhere ? "bring.anywhere" : "bring.or")}</p>
      <input
        ref={input}
        type="file"
        accept={ACCEPTS}
        multiple={several}
        className="hidden"
        onChange={(event) => {
          take(event.target.files ?? undefined);
          event.target.value = "";
        }}
      />
      <UploadList uploads={uploads} onDismiss={dismiss} />
    </div>
  );
}
