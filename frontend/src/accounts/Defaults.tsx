import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";

type Default = Schemas["DefaultOut"];
const KEY = ["default", "all"];

function Row({ one }: { one: Default }) {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const drop = useMutation({
    mutationFn: () =>
      result<undefined>(api.DELETE("/api/account/defaults/{key}", { params: { path: { key: one.key } } })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["default"] }),
  });
  const others = one.sites.filter((site) => !site.is_same).map((site) => site.name);
  return (
    <li className="border-t border-line py-2.5">
      <b className="font-semibold">{t(`factName.${one.key}`)}</b>
      <p dir="auto" className="break-words">
        {one.words || t("defaults.nothing")}
      </p>
      {others.length > 0 && (
        <p className="text-xs text-soft">{t("defaults.otherwise", { sites: others.join(", ") })}</p>
      )}
      <ActionLink onClick={() => drop.mutate()}>{t("defaults.drop")}</ActionLink>
    </li>
  );
}

/** What is said once for all of one's sites, and which of them say it otherwise. */
export function Defaults() {
  const { t } = useTranslation();
  const all = useQuery({ queryKey: KEY, queryFn: () => result<Default[]>(api.GET("/api/account/defaults")) }).data;
  if (!all?.length) return null;
  return (
    <section aria-labelledby="defaults">
      <h2 id="defaults" className="text-xl font-[650]">
        {t("defaults.all")}
      </h2>
      <p className="mt-1 mb-2 text-soft">{t("defaults.allLead")}</p>
      <ul>
        {all.map((one) => (
          <Row key={one.key} one={one} />
        ))}
      </ul>
    </section>
  );
}
