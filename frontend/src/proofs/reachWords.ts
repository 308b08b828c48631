import { useTranslation } from "react-i18next";
import type { PlaceReach } from "./model";

/** Says how far a fact reaches in one place: "24 pages", "1 file". */
export function useReachWords(): (reach: PlaceReach) => string {
  const { t } = useTranslation();
  return (reach) => (reach.pages ? t("reach.pages", { count: reach.pages }) : t(`reach.file.${reach.place}`));
}
