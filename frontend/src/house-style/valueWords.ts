import { useTranslation } from "react-i18next";
import type { Facts } from "../api/client";
import type { Key, Value } from "./keeper";

type Icon = NonNullable<Facts["icon"]>;

/** What a fact says, in words: a text says itself, a picture that it is one. */
export function useValueWords(): (key: Key, value: Value) => string {
  const { t } = useTranslation();
  return (key, value) => {
    if (typeof value === "string") return key === "logo_plate" && value ? t(`said.plate.${value}`) : value;
    if (typeof value === "number") return value ? t("said.width", { width: value }) : t("said.byShape");
    if (typeof value === "boolean") return t(value ? "said.yes" : "said.no");
    if (!value) return key === "icon" ? t("said.starter") : key === "share_picture" ? t("said.composed") : "";
    if ("source" in value) {
      const icon = value as Icon;
      if (icon.source === "drawn") return t("said.drawn", { what: icon.letters || (icon.shape ? t(`shape.${icon.shape}`) : t("said.firstLetter")) });
      return t(`said.${icon.source}`);
    }
    return t("said.picture");
  };
}
