import { useQueryClient } from "@tanstack/react-query";
import { useId, useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { CheckBox } from "../ui/CheckBox";
import { ColumnHead } from "../ui/ColumnHead";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { QueryBoundary } from "../ui/QueryBoundary";
import { useAddress, useCheckAddress, useSetAddress, type Address } from "./useAddress";

const BREAKS = ["links", "feeds", "search", "paper"] as const;

/** What has to be entered at the registrar, and where each host leads now. */
function Records({ address }: { address: Address }) {
  const { t } = useTranslation();
  if (!address.records.length) return null;
  return (
    <table className="mt-3 w-full max-w-2xl">
      <caption className="pb-1 text-start font-semibold">
        {t("siteAddress.records", { domain: address.domain })}
      </caption>
      <thead className="text-xs text-soft">
        <tr>
          {(["host", "kind", "value", "now"] as const).map((name) => (
            <ColumnHead key={name} className="py-1 pe-3">
              {t(`siteAddress.${name}`)}
            </ColumnHead>
          ))}
        </tr>
      </thead>
      <tbody className="font-code text-xs">
        {address.records.map((record) => (
          <tr key={`${record.host} ${record.kind} ${record.value}`} className="border-t border-line align-baseline">
            <td className="py-1.5 pe-3 break-all">{record.host}</td>
            <td className="pe-3">{record.kind}</td>
            <td className="pe-3 break-all">{record.value}</td>
            <td className="break-all text-soft">
              {record.found === null ? "?" : record.found.join(", ") || t("siteAddress.nothing")}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Changing the address; what that breaks is said before, once the address is known to anybody. */
function Change({ address, onDone }: { address: Address; onDone: () => void }) {
  const { t } = useTranslation();
  const site = useSite();
  const store = useStore();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const set = useSetAddress(site.slug);
  const id = useId();
  const [slug, setSlug] = useState(address.slug);
  const [domain, setDomain] = useState(address.domain);
  const [withWww, setWithWww] = useState(address.with_www);
  const [folder, setFolder] = useState(address.folder.slice(1));
  const problem = set.error instanceof ApiProblem ? set.error : null;
  async function submit(event: SubmitEvent) {
    event.preventDefault();
    await store.flush();
    set.mutate(
      { slug, domain, with_www: withWww, folder },
      {
        onSuccess: (now) => {
          onDone();
          void queries.invalidateQueries({ queryKey: ["sites"] }).then(() => {
            if (now.slug !== site.slug) void navigate(`/${now.slug}/style#address`, { replace: true });
          });
        },
      },
    );
  }
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="mt-3 grid max-w-2xl gap-3">
      {!problem && <ErrorNotice error={set.error} />}
      <Field
        label={t("siteAddress.short")}
        dir="ltr"
        autoFocus
        value={slug}
        errors={problem?.of("slug") ?? []}
        hint={address.short_host.replace(address.slug, slug || "…")}
        onChange={(event) => setSlug(event.target.value)}
      />
      <Field
        label={t("siteAddress.domain")}
        hint={t("siteAddress.domainHint")}
        dir="ltr"
        inputMode="url"
        value={domain}
        errors={problem?.of("domain") ?? []}
        onChange={(event) => setDomain(event.target.value)}
      />
      {domain && (
        <>
          <CheckBox checked={withWww} onChange={setWithWww}>
            {t("siteAddress.www")}
          </CheckBox>
          <Field
            label={t("siteAddress.folder")}
            hint={t("siteAddress.folderHint")}
            dir="ltr"
            value={folder}
            errors={problem?.of("folder") ?? []}
            onChange={(event) => setFolder(event.target.value)}
          />
        </>
      )}
      {site.live_number > 0 && (
        <div className="rounded-lg bg-warn-soft px-4 py-3">
          <p id={id} className="font-semibold">
            {t("siteAddress.before")}
          </p>
          <ul aria-labelledby={id} className="mt-1 list-disc ps-5">
            {BREAKS.map((one) => (
              <li key={one}>{t(`siteAddress.${one}`)}</li>
            ))}
          </ul>
        </div>
      )}
      <p className="flex flex-wrap gap-2">
        <Button type="submit" disabled={set.isPending}>
          {t("siteAddress.keep")}
        </Button>
        <Button variant="quiet" onClick={onDone}>
          {t("event.cancel")}
        </Button>
      </p>
    </form>
  );
}

/** How an own domain stands: one that leads here waits until it is proven to be this site's. */
function standing({ leads, proven, in_use }: Address) {
  return leads === "here" && !proven && !in_use ? "unproven" : leads;
}

function Shown({ address }: { address: Address }) {
  const { t } = useTranslation();
  const site = useSite();
  const check = useCheckAddress(site.slug);
  const [changes, setChanges] = useState(false);
  const owns = site.may.manage.allowed;
  return (
    <div className="px-6 pb-5">
      <p>
        {t("siteAddress.inUse")}{" "}
        <a href={address.base} target="_blank" rel="noreferrer" className="act-link font-code text-[13px] break-all">
          {address.base}
        </a>
      </p>
      {address.domain && (
        <p className={`mt-1 ${address.in_use ? "text-act" : "text-warn"}`} role="status">
          {address.in_use && address.leads !== "here" ? "" : t(`siteAddress.leads.${standing(address)}`)}
        </p>
      )}
      <p className="mt-1 text-soft">{t(address.https ? "siteAddress.https" : "siteAddress.noHttps")}</p>
      {address.former.length > 0 && (
        <p className="mt-1 text-soft break-words">
          {t("siteAddress.former", { hosts: address.former.slice(0, 6).join(", ") })}
        </p>
      )}
      <Records address={address} />
      {changes ? (
        <Change address={address} onDone={() => setChanges(false)} />
      ) : (
        <p className="mt-3">
          {owns && <ActionLink onClick={() => setChanges(true)}>{t("siteAddress.change")}</ActionLink>}
          {owns && address.domain && <ActionLink onClick={() => check.mutate()}>{t("siteAddress.check")}</ActionLink>}
          <span className="text-xs text-soft">{t("siteAddress.ownerOnly")}</span>
        </p>
      )}
      <ErrorNotice error={check.error} />
    </div>
  );
}

/** Where the site is found: its short address, its own domain, and what to enter for that. */
export function SiteAddress() {
  const address = useAddress(useSite().slug);
  return <QueryBoundary query={address}>{(now) => <Shown key={now.slug} address={now} />}</QueryBoundary>;
}
