import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { useSettle, type Followed } from "./api";

interface Props {
  site: string;
  followed: Followed[];
  readOnly: boolean;
}

/** What a site that this one follows published since: looked at, then taken over into the draft, or left. */
export function FollowedNews({ site, followed, readOnly }: Props) {
  const { t } = useTranslation();
  const settle = useSettle(site);
  return followed.map(({ id, name, bundle, changes }) => (
    <div key={id} className="px-6 pt-4">
      <Notice
        tone="act"
        actions={
          !readOnly && (
            <span>
              <ActionLink onClick={() => !settle.isPending && settle.mutate({ number: id, take: true })}>
                {t("followed.take")}
              </ActionLink>
              <ActionLink onClick={() => !settle.isPending && settle.mutate({ number: id, take: false })}>
                {t("followed.leave")}
              </ActionLink>
            </span>
          )
        }
      >
        <p className="font-semibold">
          {t("followed.title", { name, count: changes.length, bundle: t(`round.bundle.${bundle}`) })}
        </p>
        <ul>
          {changes.map((change) => (
            <li key={change.key}>
              {change.name}: <del dir="auto">{change.old || t("sheet.nothing")}</del> →{" "}
              <b dir="auto" className="font-semibold">
                {change.new || t("sheet.nothing")}
              </b>
            </li>
          ))}
        </ul>
        <ErrorNotice error={settle.error} />
      </Notice>
    </div>
  ));
}
