import type { UseQueryResult } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useTranslation } from "react-i18next";
import { NoConnection } from "../api/problem";
import { Button } from "./Button";
import { Notice } from "./Notice";

type Props<T> = { query: UseQueryResult<T>; children: (data: T) => ReactNode };

/** Shows what a query gave; before that, that it is loading; or why there is nothing, and what to do. */
export function Await<T>({ query, children }: Props<T>) {
  const { t } = useTranslation();
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.isPending) {
    return (
      <p role="status" className="p-6 text-soft">
        {t("state.loading")}
      </p>
    );
  }
  const lost = query.error instanceof NoConnection;
  return (
    <div className="p-6">
      <Notice tone="stop">
        <p>{lost ? t("state.noConnection") : query.error?.message}</p>
        <Button look="quiet" className="mt-3" onClick={() => void query.refetch()}>
          {t("state.again")}
        </Button>
      </Notice>
    </div>
  );
}
