import { useCallback, useEffect, type ReactNode } from "react";
import { useDropzone } from "react-dropzone";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { usePictures, type Picture } from "./api";
import { ACCEPTS } from "./kinds";
import { UploadList } from "./UploadList";
import { useUploads } from "./useUploads";

interface Props {
  site: string;
  several?: boolean;
  label: string;
  children?: ReactNode;
  /** What else can be done here, beside uploading a picture. */
  actions?: ReactNode;
  onUploaded?: (picture: Picture) => void;
  /** Takes what is dropped or pasted anywhere in the window, where nothing else does. */
  anywhere?: boolean;
}

/** Listens to pictures pasted anywhere in the window. */
function usePasteAnywhere(on: boolean, take: (files: File[]) => void) {
  useEffect(() => {
    if (!on) return;
    const receive = (event: ClipboardEvent) => take([...(event.clipboardData?.files ?? [])]);
    addEventListener("paste", receive);
    return () => removeEventListener("paste", receive);
  }, [on, take]);
}

/** Hands files dropped anywhere in the window to the area's own input, as if they had been dropped on it. */
function useDropAnywhere(on: boolean, take: (files: File[]) => void) {
  useEffect(() => {
    if (!on) return;
    // Without this a browser opens what is dropped, and the desk is gone.
    const allow = (event: DragEvent) => event.preventDefault();
    const receive = (event: DragEvent) => {
      if (event.defaultPrevented) return;
      event.preventDefault();
      take([...(event.dataTransfer?.files ?? [])]);
    };
    addEventListener("dragover", allow);
    addEventListener("drop", receive);
    return () => {
      removeEventListener("dragover", allow);
      removeEventListener("drop", receive);
    };
  }, [on, take]);
}

/** A place for pictures to be dropped on, pasted into or chosen for; says how each one fares. */
export function UploadArea({ site, several = false, label, children, actions, onUploaded, anywhere = false }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const most = usePictures(site).data?.most_bytes ?? Infinity;
  // What is far too large would be cut off on its way, and the reason with it.
  const refusal = useCallback(
    (file: File) => (file.size > most ? t("upload.tooHeavy", { name: file.name, most: format.bytes(most) }) : null),
    [most, t, format],
  );
  const { uploads, start, dismiss } = useUploads(site, refusal, onUploaded);
  const take = useCallback(
    (files: File[]) => {
      if (files.length) start(several ? files : files.slice(0, 1));
    },
    [start, several],
  );
  const zone = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: several,
    useFsAccessApi: false,
    // Elsewhere in the window a drop is taken here too, or let pass to whoever takes it.
    preventDropOnDocument: !anywhere,
    onDrop: (files) => take(files),
  });
  usePasteAnywhere(anywhere, take);
  useDropAnywhere(anywhere, take);

  return (
    <div
      {...zone.getRootProps({
        tabIndex: undefined,
        role: undefined,
        onPaste: (event) => {
          if (!anywhere) take([...event.clipboardData.files]);
        },
      })}
      className={`rounded-md ${zone.isDragActive ? "outline-2 outline-offset-2 outline-act outline-dashed" : ""}`}
    >
      {children}
      <div className="flex flex-wrap items-baseline">
        <button type="button" className="act-link me-3" onClick={zone.open}>
          {label}
        </button>
        {actions}
      </div>
      <p className="text-xs text-soft">{t(anywhere ? "upload.anywhere" : "upload.or")}</p>
      <input {...zone.getInputProps({ accept: ACCEPTS })} />
      <UploadList uploads={uploads} onDismiss={dismiss} />
    </div>
  );
}
