import type { ReactNode } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";

interface Props {
  /** What was sought, and what is said where there is nothing at all. */
  sought: string;
  empty: string;
  rows: ReactNode[];
  /** Fetches older ones, where there are any. */
  onOlder: (() => void) | null;
}

/** Messages, the newest first; older ones are asked for. */
export function PagedList({ sought, empty, rows, onOlder }: Props) {
  const { t } = useTranslation();
  return (
    <>
      {rows.length === 0 && (
        <p className="border-t border-line px-6 py-6 text-soft">{sought ? t("mail.noMatch", { sought }) : empty}</p>
      )}
      <ul>{rows}</ul>
      {onOlder && (
        <p className="px-6 py-4">
          <Button variant="quiet" onClick={onOlder}>
            {t("mail.older")}
          </Button>
        </p>
      )}
    </>
  );
}
