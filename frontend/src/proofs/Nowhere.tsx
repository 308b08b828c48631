import { useTranslation } from "../i18n/useTranslation";

interface Props {
  place: "event" | "calendar" | "archive" | "hours" | "contact" | "structured" | "notice" | "side" | "cookies" | "text";
}

/** Said in place of a drawing where no page of the site has such a thing. */
export function Nowhere({ place }: Props) {
  const { t } = useTranslation();
  return <p className="proof w-[224px] px-3 py-2.5 text-[11.5px] leading-snug text-soft">{t(`proof.none.${place}`)}</p>;
}
