import { useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useMeant, type Meant, type Sweep } from "./api";

function Line({ one, name, edits }: { one: Meant; name: string; edits: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { drop } = useMeant(useSite().slug);
  return (
    <li className="border-t border-line px-6 py-2.5">
      <p className="break-words">
        <b className="font-semibold">{name}</b> · <span dir="auto">{one.says || one.page}</span>{" "}
        <span className="text-soft" dir="ltr">
          {one.page}
        </span>
      </p>
      <p className="text-soft">
        {one.reason && <span dir="auto">“{one.reason}” </span>}
        {t("consistency.meantBy", { who: one.by, at: format.instant(one.at) })} {!one.is_there && t("consistency.gone")}
      </p>
      {edits && <ActionLink onClick={() => drop.mutate(one.id)}>{t("consistency.speak")}</ActionLink>}
      <ErrorNotice error={drop.error} />
    </li>
  );
}

/** What somebody said is meant; each can speak again. */
export function MeantList({ sweep, edits }: { sweep: Sweep; edits: boolean }) {
  const { t } = useTranslation();
  if (sweep.meant.length === 0) return null;
  const names = new Map(sweep.kinds.map((kind) => [kind.kind, kind.name]));
  return (
    <details className="border-t border-line">
      <summary className="cursor-pointer px-6 py-3 font-semibold">
        {t("consistency.meantTitle", { count: sweep.meant.length })}
      </summary>
      <ul>
        {sweep.meant.map((one) => (
          <Line key={one.id} one={one} name={names.get(one.kind) ?? one.kind} edits={edits} />
        ))}
      </ul>
    </details>
  );
}
