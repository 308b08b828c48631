import type { UseQueryResult } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "./Button";
import { ErrorNotice } from "./ErrorNotice";

/** That something is still being fetched. */
export function Loading() {
  const { t } = useTranslation();
  return (
    <p role="status" className="p-6 text-soft">
      {t("state.loading")}
    </p>
  );
}

/** Why a query gave nothing, and the way to ask again. */
export function NotFetched({ query }: { query: Pick<UseQueryResult, "error" | "refetch"> }) {
  const { t } = useTranslation();
  const again = (
    <Button variant="quiet" onClick={() => void query.refetch()}>
      {t("state.again")}
    </Button>
  );
  return <ErrorNotice error={query.error} lost={t("state.notFetched")} actions={again} />;
}

type Props<T> = { query: UseQueryResult<T>; children: (data: T) => ReactNode };

/** Shows what a query gave; before that, that it is loading; or why there is nothing, and what to do. */
export function QueryBoundary<T>({ query, children }: Props<T>) {
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.isPending) return <Loading />;
  return (
    <div className="p-6">
      <NotFetched query={query} />
    </div>
  );
}
