import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, result, type Schemas } from "../api/client";
import { sendForm } from "../api/upload";
import { useDeed } from "../draft/deeds";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { NotTaken } from "../ui/NotTaken";
import { useReadAnew } from "./api";

type Report = Schemas["ImportOut"];

/** A ZIP, or the files of a folder with their names in it, as a form. */
function formOf(files: File[]): FormData {
  const body = new FormData();
  for (const file of files) {
    body.append("files", file, file.name);
    body.append("names", file.webkitRelativePath || file.name);
  }
  return body;
}

/** What is taken in by itself after the call, looked at until it is done. */
function useLater(site: string, first: Report | undefined) {
  const readAnew = useReadAnew(site);
  const noteDeed = useDeed(site);
  // Undoing it has everything read anew, this too; it is one step all the same.
  const noted = useRef<number | null>(null);
  return useQuery({
    queryKey: ["import", site, first],
    queryFn: async () => {
      const now = await result<Report | null>(api.GET("/api/sites/{site}/import", { params: { path: { site } } }));
      if (now?.later === 0) {
        if (now.deed !== noted.current) noteDeed(now.deed);
        noted.current = now.deed ?? null;
        await readAnew();
      }
      return now;
    },
    staleTime: Infinity,
    enabled: Boolean(first?.later),
    refetchInterval: ({ state }) => (state.data?.later === 0 ? false : 2_000),
  });
}

function Told({ report: first }: { report: Report }) {
  const { t } = useTranslation();
  const report = useLater(useSite().slug, first).data ?? first;
  if (report.later > 0)
    return (
      <p role="status" className="mt-3 font-semibold">
        {t("imports.later", { count: report.later })}
      </p>
    );
  const said = [
    t("imports.added", { count: report.added.length }),
    ...(report.changed.length ? [t("imports.changed", { count: report.changed.length })] : []),
    ...(report.same ? [t("imports.same", { count: report.same })] : []),
    ...(report.pictures ? [t("imports.pictures", { count: report.pictures })] : []),
  ];
  return (
    <div className="mt-3">
      <p role="status" className="font-semibold">
        {said.join(" · ")}
      </p>
      <NotTaken title={t("imports.notTaken")} report={report} />
    </div>
  );
}

/** Pages in and out as Markdown files with their pictures. */
export function ImportPanel({ mayEdit, onClose }: { mayEdit: boolean; onClose: () => void }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const queries = useQueryClient();
  const readAnew = useReadAnew(site);
  const noteDeed = useDeed(site);
  const [sent, setSent] = useState(0);
  const zip = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const take = useMutation({
    mutationFn: (files: File[]) => sendForm<Report>(`/api/sites/${site}/import`, formOf(files), setSent),
    onSuccess: async ({ deed }) => {
      noteDeed(deed);
      await queries.invalidateQueries({ queryKey: ["pictures", site] });
      await readAnew();
    },
  });
  const chosen = (input: HTMLInputElement) => {
    const files = [...(input.files ?? [])];
    input.value = "";
    if (!files.length) return;
    setSent(0);
    take.mutate(files);
  };
  return (
    <div className="mx-6 mb-4 max-w-3xl rounded-lg border border-line p-4">
      <p className="text-soft">{t("imports.lead")}</p>
      <p className="mt-2 flex flex-wrap gap-y-2">
        {mayEdit && (
          <>
            <ActionLink onClick={() => zip.current?.click()}>{t("imports.zip")}</ActionLink>
            <ActionLink onClick={() => folder.current?.click()}>{t("imports.folder")}</ActionLink>
            <input
              ref={zip}
              type="file"
              hidden
              accept=".zip,.md,.markdown,application/zip"
              aria-label={t("imports.zip")}
              onChange={(event) => chosen(event.target)}
            />
            <input
              ref={(element) => {
                folder.current = element;
                // React knows no such attribute; browsers do (File and Directory Entries API).
                element?.setAttribute("webkitdirectory", "");
              }}
              type="file"
              hidden
              multiple
              aria-label={t("imports.folder")}
              onChange={(event) => chosen(event.target)}
            />
          </>
        )}
        <a className="act-link me-3" href={`/api/sites/${site}/pages.zip`} download>
          {t("imports.out")}
        </a>
        <ActionLink onClick={onClose}>{t("imports.close")}</ActionLink>
      </p>
      {take.isPending && (
        <p role="status" className="mt-2 text-soft">
          {sent < 1 ? t("imports.sending", { share: Math.round(sent * 100) }) : t("imports.busy")}
        </p>
      )}
      <ErrorNotice error={take.error} />
      {take.isSuccess && <Told report={take.data} />}
    </div>
  );
}
