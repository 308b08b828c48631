import { useRef, useState } from "react";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useDelete, useReplace, type Picture } from "./api";
import { ACCEPTS } from "./kinds";

function Replace({ picture }: { picture: Picture }) {
  const { t } = useTranslation();
  const replace = useReplace(useSite().slug);
  const input = useRef<HTMLInputElement>(null);
  return (
    <div>
      <button type="button" className="act-link" disabled={replace.isPending} onClick={() => input.current?.click()}>
        {replace.isPending ? t("upload.looking", { name: picture.name }) : t("pictures.replace")}
      </button>{" "}
      <span className="text-xs text-soft">{t("pictures.replaceWhy")}</span>
      <input
        ref={input}
        type="file"
        accept={ACCEPTS}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) replace.mutate({ picture: picture.id, file });
          event.target.value = "";
        }}
      />
      <div className="mt-1 empty:hidden">
        <ErrorNotice error={replace.error} />
      </div>
    </div>
  );
}

function Copy({ picture }: { picture: Picture }) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
  return (
    <div>
      <button
        type="button"
        className="act-link"
        onClick={() => void navigator.clipboard.writeText(picture.markdown).then(() => setCopied(true))}
      >
        {t("pictures.copy")}
      </button>{" "}
      <span role="status" className="text-xs text-act">
        {copied ? t("pictures.copied") : ""}
      </span>
      <code dir="ltr" className="block font-code text-[11px] break-all text-soft">
        {picture.markdown}
      </code>
    </div>
  );
}

function Delete({ picture }: { picture: Picture }) {
  const { t } = useTranslation();
  const remove = useDelete(useSite().slug);
  const [asked, setAsked] = useState(false);
  const used = picture.uses.length;
  if (picture.is_live) return <p className="text-soft">{t("pictures.isLive", { number: picture.edition ?? 0 })}</p>;
  if (!asked || !used) {
    return (
      <div>
        <button
          type="button"
          className="rounded-sm font-semibold text-stop hover:underline"
          onClick={() => (used ? setAsked(true) : remove.mutate({ picture: picture.id, used: false }))}
        >
          {t("pictures.delete")}
        </button>
        <ErrorNotice error={remove.error} />
      </div>
    );
  }
  return (
    <div className="rounded-md bg-warn-soft p-3">
      <p role="alert">{t("pictures.deleteWarn", { count: used })}</p>
      <p className="mt-1 flex gap-4">
        <button
          type="button"
          className="rounded-sm font-semibold text-stop hover:underline"
          onClick={() => remove.mutate({ picture: picture.id, used: true })}
        >
          {t("pictures.deleteUsed")}
        </button>
        <button type="button" className="act-link" onClick={() => setAsked(false)}>
          {t("pictures.leave")}
        </button>
      </p>
      <ErrorNotice error={remove.error} />
    </div>
  );
}

/** What can be done with a picture. */
export function PictureActions({ picture, mayEdit }: { picture: Picture; mayEdit: boolean }) {
  return (
    <div className="grid gap-2">
      <Copy picture={picture} />
      {mayEdit && <Replace picture={picture} />}
      {mayEdit && <Delete picture={picture} />}
    </div>
  );
}
