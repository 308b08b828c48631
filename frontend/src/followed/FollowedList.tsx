import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Part } from "../ui/Part";
import { useFollowed, useFollowNoMore } from "./api";

/** Whom this site follows, and in what; nothing, for most. */
export function FollowedList({ site, readOnly }: { site: string; readOnly: boolean }) {
  const { t } = useTranslation();
  const followed = useFollowed(site).data ?? [];
  const end = useFollowNoMore(site);
  if (!followed.length) return null;
  return (
    <Part id="followed" title={t("followed.list")}>
      <ul className="grid gap-1">
        {followed.map(({ id, name, bundle }) => (
          <li key={id} className="flex flex-wrap gap-x-4">
            <span>
              <b className="font-semibold">{name}</b> · {t(`round.bundle.${bundle}`)}
            </span>
            {!readOnly && (
              <ActionLink onClick={() => end.mutate(id)}>
                {t("followed.end")}
                <span className="unseen">
                  : {name}, {t(`round.bundle.${bundle}`)}
                </span>
              </ActionLink>
            )}
          </li>
        ))}
      </ul>
      <ErrorNotice error={end.error} />
    </Part>
  );
}
