import type { Page } from "../api/client";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Notice } from "../ui/Notice";
import { useBelow, useSeveral } from "./api";

interface Props {
  /** At least one. */
  pages: readonly Page[];
  onKeep: () => void;
  onDone: () => void;
}

/** Asks before pages are deleted; of one, what stands below it is named. */
export function Deletion({ pages, onKeep, onDone }: Props) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const remove = useSeveral(site);
  const [first] = pages;
  const isOne = pages.length === 1;
  const below = useBelow(site, first?.id ?? 0, isOne).data;
  const named = below?.map(({ title }) => title).join(", ");
  return (
    <Notice
      tone="stop"
      actions={
        <>
          <Button
            variant="quiet"
            disabled={remove.isPending || (isOne && !below)}
            onClick={() => remove.mutate({ act: "delete", pages: pages.map(({ id }) => id) }, { onSuccess: onDone })}
          >
            {t("pageActions.deleteYes")}
          </Button>
          {/* The link that asked is gone: who works by keyboard goes on here, at the harmless one of the two. */}
          <Button variant="quiet" autoFocus onClick={onKeep}>
            {t(isOne ? "pageActions.keep" : "several.keep")}
          </Button>
          <ErrorNotice error={remove.error} />
        </>
      }
    >
      {isOne
        ? t("pageActions.deleteSure", { title: first?.shown_title ?? "" })
        : `${t("several.deleteSure", { count: pages.length })} ${t("several.deleteBelow")}`}{" "}
      {named && t("pageActions.deleteBelow", { titles: named })}
    </Notice>
  );
}
