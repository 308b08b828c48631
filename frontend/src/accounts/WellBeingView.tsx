import type { Schemas } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { Part } from "../ui/Part";
import { Apart } from "./Apart";
import { useMakeCopy, useWellBeing } from "./api";

type WellBeing = Schemas["WellBeing"];

function Findings({ found }: { found: WellBeing["findings"] }) {
  const { t } = useTranslation();
  return (
    <Part id="findings" size="lg" title={t("wellBeing.findings")}>
      {found.length === 0 && <p>{t("wellBeing.nothing")}</p>}
      <ul className="grid gap-2">
        {found.map((one, at) => (
          <li
            key={at}
            className={`rounded-lg px-4 py-2.5 break-words ${one.wrong ? "bg-warn-soft" : "border border-line"}`}
          >
            {one.wrong && <b aria-hidden>▲ </b>}
            {one.message}
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Queues({ queues }: { queues: WellBeing["queues"] }) {
  const { t } = useTranslation();
  return (
    <Part id="queues" size="lg" title={t("wellBeing.queues")}>
      <dl className="grid grid-cols-[1fr_auto] gap-x-6 gap-y-1 sm:max-w-md">
        {Object.entries(queues).map(([name, count]) => (
          <div key={name} className="contents">
            <dt>{t(`wellBeing.queue.${name}`)}</dt>
            <dd className={`text-end font-semibold ${name.endsWith("failed") && count > 0 ? "text-stop" : ""}`}>
              {count}
            </dd>
          </div>
        ))}
      </dl>
    </Part>
  );
}

function Jobs({ jobs }: { jobs: WellBeing["jobs"] }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Part id="jobs" size="lg" title={t("wellBeing.jobs")}>
      {jobs.length === 0 && <p className="text-soft">{t("wellBeing.noJobs")}</p>}
      <ul
        className="max-h-96 divide-y divide-line overflow-y-auto border-y border-line"
        tabIndex={0}
        aria-label={t("wellBeing.jobs")}
      >
        {jobs.map((job, at) => (
          <li key={at} className="py-2">
            <p className="flex flex-wrap gap-x-3">
              <b className="font-semibold">{job.title}</b>
              <span className={job.status === "failed" ? "text-stop" : "text-soft"}>
                {t(`wellBeing.status.${job.status}`)}
                {job.at && ` · ${format.instant(job.at)}`}
              </span>
            </p>
            {job.reason && <p className="font-code text-xs break-words text-soft">{job.reason}</p>}
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Copies({ copies, folder }: { copies: WellBeing["copies"]; folder: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const make = useMakeCopy();
  return (
    <Part id="copies" size="lg" title={t("wellBeing.copies")}>
      <p className="mb-2 text-soft">
        {t("wellBeing.copiesNote")} <span className="font-code text-xs break-all">{folder}</span>
      </p>
      <ul className="mb-3 max-h-72 divide-y divide-line overflow-y-auto border-y border-line empty:hidden">
        {copies.map((copy) => (
          <li key={copy.name} className="flex flex-wrap justify-between gap-x-4 py-1.5">
            <span>{format.instant(copy.made_at)}</span>
            <span className="text-soft">
              {t("wellBeing.copy", { sites: copy.sites, pictures: copy.pictures, size: format.bytes(copy.bytes) })}
            </span>
          </li>
        ))}
      </ul>
      <ErrorNotice error={make.error} />
      <Button variant="quiet" className="justify-self-start" disabled={make.isPending} onClick={() => make.mutate()}>
        {t("wellBeing.makeCopy")}
      </Button>
      {make.isSuccess && (
        <p role="status" className="mt-2">
          {t("wellBeing.copyBegun")}
        </p>
      )}
    </Part>
  );
}

function Machine({ now }: { now: WellBeing }) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Part id="machine" size="lg" title={t("wellBeing.machine")}>
      <dl className="grid grid-cols-[1fr_auto] gap-x-6 gap-y-1 sm:max-w-md">
        {now.disks.map((disk) => (
          <div key={disk.name} className="contents">
            <dt>{t(`wellBeing.disk.${disk.name}`)}</dt>
            <dd className={`text-end ${disk.nearly_full ? "font-semibold text-stop" : ""}`}>
              {t("wellBeing.free", { free: format.bytes(disk.free), total: format.bytes(disk.total) })}
            </dd>
          </div>
        ))}
        {now.versions.map((one) => (
          <div key={one.name} className="contents">
            <dt>{one.name}</dt>
            <dd className="text-end font-code text-xs">{one.version}</dd>
          </div>
        ))}
      </dl>
    </Part>
  );
}

/** How the installation is, for whoever set it up. */
export function WellBeingView() {
  const { t } = useTranslation();
  const found = useWellBeing();
  return (
    <Apart title={t("wellBeing.title")} wide>
      <QueryBoundary query={found}>
        {(now) => (
          <div className="mt-8 grid gap-10">
            <Findings found={now.findings} />
            <Copies copies={now.copies} folder={now.copies_folder} />
            <Queues queues={now.queues} />
            <Jobs jobs={now.jobs} />
            <Machine now={now} />
          </div>
        )}
      </QueryBoundary>
    </Apart>
  );
}
