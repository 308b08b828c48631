import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import type { Schemas } from "../api/client";
import { download, sendForm } from "../api/upload";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { ErrorNotice } from "../ui/ErrorNotice";
import { ViewHead } from "../ui/ViewHead";
import { fetchSweep } from "./api";

type Checked = Schemas["CheckOut"];
const SHOWN = 20;

function formOf(file: File, style: unknown): FormData {
  const body = new FormData();
  body.append("file", file, file.name);
  body.append("style", style ? JSON.stringify(style) : "");
  return body;
}

/** The facts of a style in words: those that are texts. */
function Agreed({ style }: { style: Checked["style"] }) {
  const { t } = useTranslation();
  const facts = Object.entries(style["facts"] as Record<string, unknown>).filter(
    ([, said]) => typeof said === "string",
  );
  return (
    <details className="border-t border-line">
      <summary className="cursor-pointer px-6 py-3 font-semibold">{t("others.style")}</summary>
      <dl className="grid max-w-3xl grid-cols-[max-content_1fr] gap-x-4 gap-y-1 px-6 pb-4">
        {facts.map(([key, said]) => (
          <div key={key} className="contents">
            <dt className="text-soft">{t(`factName.${key}`, { defaultValue: key })}</dt>
            <dd className="break-words" dir="auto">
              {String(said)}
            </dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

function Kind({ kind, strays }: { kind: Checked["kinds"][number]; strays: Checked["strays"] }) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const shown = all ? strays : strays.slice(0, SHOWN);
  return (
    <section aria-label={kind.name} className="border-t border-line px-6 py-3.5">
      <h2 className="text-[15.5px] font-semibold">
        {kind.name} <span className="font-normal text-soft">{strays.length}</span>
      </h2>
      <p className="text-soft">{kind.why}</p>
      <ul className="mt-1.5">
        {shown.map((stray) => (
          <li key={stray.id} className="py-1 break-words">
            <span dir="ltr" className="me-2 font-code text-xs text-soft">
              {stray.page}:{stray.start}
            </span>
            <span dir="auto">
              <del className={stray.mend ? "bg-stop-soft decoration-stop" : "bg-warn-soft no-underline"}>
                {stray.says || t("consistency.nothing")}
              </del>
              {stray.should_say && <ins className="ms-1.5 bg-act-soft no-underline">{stray.should_say}</ins>}
            </span>
          </li>
        ))}
      </ul>
      {shown.length < strays.length && (
        <ActionLink onClick={() => setAll(true)}>{t("consistency.showAll", { count: strays.length })}</ActionLink>
      )}
    </section>
  );
}

function Found({ found }: { found: Checked }) {
  const { t } = useTranslation();
  const mended = found.strays.filter((stray) => stray.mend).length;
  const straying = new Set(found.strays.map((stray) => stray.page)).size;
  const said = [...found.unread.map((one) => ({ file: one.page, message: one.why })), ...found.left_out];
  return (
    <>
      <div className="border-t border-line px-6 py-4" role="status">
        <p className="font-display text-[19px] font-semibold">
          {found.strays.length === 0
            ? t("consistency.allAgree", { count: found.pages })
            : t("consistency.agree", { agree: Math.max(0, found.pages - straying), count: found.pages })}
        </p>
        {found.strays.length > 0 && <p className="text-soft">{t("others.mended", { count: mended })}</p>}
      </div>
      <Agreed style={found.style} />
      {found.kinds.map((kind) => (
        <Kind key={kind.kind} kind={kind} strays={found.strays.filter((stray) => stray.kind === kind.kind)} />
      ))}
      {found.more > 0 && <p className="border-t border-line px-6 py-3">{t("others.more", { count: found.more })}</p>}
      {said.length > 0 && (
        <section aria-label={t("others.unread")} className="border-t border-line px-6 py-3.5">
          <h2 className="text-[15.5px] font-semibold">{t("others.unread")}</h2>
          <ul>
            {said.map((one, at) => (
              <li key={at} className="py-0.5 break-words">
                <span dir="ltr" className="me-2 font-code text-xs">
                  {one.file}
                </span>
                {one.message}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** Pages that anybody made, as a ZIP: held to a house style, and given back mended. Nothing of it is kept. */
export function OtherPages() {
  const { t } = useTranslation();
  const site = useSite();
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  const [toOurs, setToOurs] = useState(false);
  const [sent, setSent] = useState(0);
  const styleOf = async (ours: boolean) => (ours ? (await fetchSweep(site.slug)).style : null);
  const check = useMutation({
    mutationFn: async ({ zip, ours }: { zip: File; ours: boolean }) =>
      sendForm<Checked>("/api/check", formOf(zip, await styleOf(ours)), setSent),
  });
  const mend = useMutation({
    mutationFn: async ({ zip, ours }: { zip: File; ours: boolean }) =>
      download("/api/check/mended.zip", formOf(zip, await styleOf(ours)), zip.name.replace(/\.zip$/i, "-mended.zip")),
  });
  const look = (zip: File, ours: boolean) => {
    setSent(0);
    mend.reset();
    check.mutate({ zip, ours });
  };
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("others.title")} lead={t("others.lead")} />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2.5 px-6 pb-4">
        <Button disabled={check.isPending} onClick={() => input.current?.click()}>
          {t(file ? "others.another" : "others.choose")}
        </Button>
        <input
          ref={input}
          type="file"
          hidden
          accept=".zip,application/zip"
          aria-label={t("others.choose")}
          onChange={(event) => {
            const zip = event.target.files?.[0];
            event.target.value = "";
            if (!zip) return;
            setFile(zip);
            look(zip, toOurs);
          }}
        />
        <CheckBox
          checked={toOurs}
          onChange={(ours) => {
            setToOurs(ours);
            if (file) look(file, ours);
          }}
        >
          {t("others.toOurs", { site: site.label || site.name })}
        </CheckBox>
        {file && check.data && check.data.strays.some((stray) => stray.mend) && (
          <Button variant="quiet" disabled={mend.isPending} onClick={() => mend.mutate({ zip: file, ours: toOurs })}>
            {t("others.download")}
          </Button>
        )}
        <Link to={`/${site.slug}/consistency`} className="act-link">
          {t("others.back")}
        </Link>
      </div>
      {check.isPending && (
        <p role="status" className="px-6 pb-3 text-soft">
          {t(sent < 1 ? "others.sending" : "others.looking", { file: file?.name ?? "" })}
        </p>
      )}
      <div className="px-6">
        <ErrorNotice error={check.error ?? mend.error} />
      </div>
      {check.isSuccess && <Found found={check.data} />}
    </div>
  );
}
