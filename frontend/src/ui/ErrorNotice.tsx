import type { ReactNode } from "react";
import { NoConnection } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { Notice } from "./Notice";

interface Props {
  error: Error | null;
  /** What to say instead of the usual words when no answer came. */
  lost?: string;
  actions?: ReactNode;
  children?: ReactNode;
}

/** Says why a call failed, in the server's words or that no answer came; nothing while nothing is wrong. */
export function ErrorNotice({ error, lost, actions, children }: Props) {
  const { t } = useTranslation();
  if (!error) return null;
  return (
    <Notice tone="stop" actions={actions}>
      {error instanceof NoConnection ? (lost ?? t("state.noConnection")) : error.message} {children}
    </Notice>
  );
}
