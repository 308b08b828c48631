import type { Schemas } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";

interface Props {
  author: Schemas["AuthorOut"];
  className?: string;
}

/** Who changed something last, and when. */
export function AuthorLine({ author, className = "text-xs text-soft" }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const name = author.own ? t("author.you") : author.by || t("author.left");
  return <span className={className}>{t("author.changed", { name, at: format.instant(author.at) })}</span>;
}
