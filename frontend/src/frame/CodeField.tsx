import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, result, type Facts, type Schemas } from "../api/client";
import { useFact, useFactActions, useFieldState, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Advices } from "../ui/Advices";
import { useSettled } from "../ui/useSettled";

type AddedCode = NonNullable<Facts["added_code"]>;
const AREA =
  "w-full resize-y rounded-sm border border-soft bg-paper px-2 py-1.5 font-code text-xs leading-relaxed read-only:border-line aria-invalid:border-stop";

/** What pages will allow a code, looked at when the typing rests. */
function useChecked(site: string, added: AddedCode | null) {
  const settled = useSettled(added, 400);
  return useQuery({
    queryKey: ["added-code", site, settled],
    queryFn: () =>
      result<Schemas["CodeOut"]>(
        api.POST("/api/sites/{site}/added-code/check", {
          params: { path: { site } },
          body: { code: settled?.code ?? "", hosts: [...(settled?.hosts ?? [])] },
        }),
      ),
    enabled: Boolean(settled?.code.trim()),
    placeholderData: keepPreviousData,
    retry: false,
  }).data;
}

function Policy({ checked }: { checked: Schemas["CodeOut"] }) {
  const { t } = useTranslation();
  const directives = Object.entries(checked.policy);
  return (
    <details className="text-xs">
      <summary className="cursor-pointer text-soft">{t("code.policy")}</summary>
      {directives.length === 0 && <p className="mt-1 text-soft">{t("code.nothing")}</p>}
      <dl className="mt-1 grid gap-1">
        {directives.map(([directive, sources]) => (
          <div key={directive} className="grid grid-cols-[6.5rem_1fr] gap-2">
            <dt className="text-soft">{t(`code.may.${directive}`)}</dt>
            <dd className="font-code break-all">{sources.join(" ")}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

/** Code of others for the head of every page: what it is allowed, and the site with it and without it. */
export function CodeField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const facts = useFactActions();
  const added = useFact("added_code");
  const hasNotice = useFact("cookie_notice") !== null;
  const { errors } = useFieldState("facts", "added_code");
  const checked = useChecked(site.slug, added ?? null);
  const set = (change: Partial<AddedCode>) => {
    const next = { code: added?.code ?? "", hosts: added?.hosts ?? [], ...change };
    facts.choose({ added_code: next.code || next.hosts.length ? next : null }, true);
  };
  const wrong = errors.length > 0;
  return (
    <div className="grid gap-2">
      <textarea
        rows={added ? 7 : 3}
        dir="ltr"
        spellCheck={false}
        data-field="added_code"
        aria-labelledby="fact-added_code"
        aria-describedby="why-added_code wrong-added_code"
        aria-invalid={wrong}
        readOnly={readOnly}
        placeholder={t("code.paste")}
        className={AREA}
        value={added?.code ?? ""}
        onChange={(event) => set({ code: event.target.value })}
      />
      {added && (
        <>
          <label className="grid gap-0.5">
            <span className="text-xs text-soft">{t("code.hosts")}</span>
            <textarea
              rows={1}
              dir="ltr"
              spellCheck={false}
              readOnly={readOnly}
              placeholder="api.count.example"
              className={AREA}
              value={added.hosts.join("\n")}
              onChange={(event) => set({ hosts: event.target.value ? event.target.value.split(/[\n,]/) : [] })}
            />
          </label>
          {hasNotice && <p className="text-xs text-soft">{t("code.waits")}</p>}
          {checked && !wrong && <Policy checked={checked} />}
          {checked && <Advices notices={checked.notices} />}
          {checked && (
            <p className="flex flex-wrap gap-x-4 text-sm">
              <a href={checked.preview_url} target="_blank" rel="noreferrer" className="act-link">
                {t("code.with")}
              </a>
              <a href={checked.bare_url} target="_blank" rel="noreferrer" className="act-link">
                {t("code.without")}
              </a>
            </p>
          )}
          {!readOnly && (
            <div>
              <ActionLink onClick={() => facts.choose({ added_code: null })}>{t("code.remove")}</ActionLink>
            </div>
          )}
        </>
      )}
    </div>
  );
}
