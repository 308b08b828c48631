import { AlertDialog } from "radix-ui";
import { useId, useState } from "react";
import { useNavigate } from "react-router";
import { useTranslation } from "../i18n/useTranslation";
import { SiteMark } from "../sites";
import { Part } from "../ui/Part";
import type { Site } from "../api/client";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useDeleteSite } from "./api";

/** Deleting a site: its address is typed first, as two sites may have one name. */
export function Deleting({ site }: { site: Site }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const id = useId();
  const remove = useDeleteSite(site.slug);
  const [typed, setTyped] = useState("");
  const isSure = typed.trim().toLowerCase() === site.host.toLowerCase();
  return (
    <Part id="deleting" title={t("lifecycle.deleting")} className="grid justify-items-start gap-2">
      <p className="text-soft">{t("lifecycle.deleteNote", { address: site.host })}</p>
      <AlertDialog.Root onOpenChange={() => setTyped("")}>
        <AlertDialog.Trigger asChild>
          <Button variant="quiet">{t("lifecycle.delete", { name: site.name })}</Button>
        </AlertDialog.Trigger>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
          <AlertDialog.Content className="fixed top-1/2 left-1/2 z-50 grid w-[28rem] max-w-[92vw] -translate-1/2 gap-3 rounded-lg bg-paper p-6 shadow-xl">
            <AlertDialog.Title className="text-lg font-semibold">
              {t("lifecycle.deleteAsk", { name: site.name })}
            </AlertDialog.Title>
            <AlertDialog.Description>{t("lifecycle.deleteNote", { address: site.host })}</AlertDialog.Description>
            <label htmlFor={id}>{t("lifecycle.deleteType", { address: site.host })}</label>
            <input
              id={id}
              value={typed}
              dir="ltr"
              autoComplete="off"
              className="rounded-sm border border-soft bg-paper px-2.5 py-1.5 text-ink"
              onChange={(event) => setTyped(event.target.value)}
            />
            <ErrorNotice error={remove.error} />
            <span className="mt-2 flex flex-wrap items-center gap-4">
              <AlertDialog.Cancel asChild>
                <Button variant="quiet">{t("lifecycle.deleteNot")}</Button>
              </AlertDialog.Cancel>
              <Button
                disabled={!isSure || remove.isPending}
                onClick={() => remove.mutate(undefined, { onSuccess: () => void navigate("/your-account#deleted") })}
              >
                {t("lifecycle.deleteNow")}
                <SiteMark site={site} />
              </Button>
            </span>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </Part>
  );
}
