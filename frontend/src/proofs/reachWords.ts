import { useTranslation } from "../i18n/useTranslation";
import { isFile, type PlaceReach } from "./model";

/** Says how far a fact reaches in one place: "24 pages", "1 file". */
export function useReachWords(): (reach: PlaceReach) => string {
  const { t } = useTranslation();
  return ({ place, number }) => (isFile(place) ? t(`reach.file.${place}`) : t("reach.pages", { count: number }));
}
