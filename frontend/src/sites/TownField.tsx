import { useState } from "react";
import { useTranslation } from "react-i18next";
import type { Town } from "../api/client";
import type { FieldError } from "../api/problem";
import { Combobox } from "../ui/Combobox";
import { useSettled } from "../ui/useSettled";
import { useTowns } from "./api";

interface Props {
  label: string;
  hideLabel?: boolean;
  hint: string;
  errors?: FieldError[];
  onChoose: (town: Town | null) => void;
}

/** What time it is there now; nothing for a clock that this browser does not know. */
function timeIn(zone: string, language: string): string {
  try {
    return new Intl.DateTimeFormat(language, { timeZone: zone, timeStyle: "short" }).format(new Date());
  } catch {
    return "";
  }
}

/** Chooses a clock by a town: what one knows is where one is, not the name of a zone. */
export function TownField({ label, hideLabel = false, hint, errors = [], onChoose }: Props) {
  const { t, i18n } = useTranslation();
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<Town | null>(null);
  const settled = useSettled(typed, 120);
  const towns = useTowns(chosen ? "" : settled);
  const none = !chosen && towns.data?.length === 0;

  return (
    <Combobox
      label={label}
      hideLabel={hideLabel}
      typed={typed}
      hint={none ? t("town.none", { typed: settled }) : chosen ? t("town.clock", { zone: chosen.time_zone }) : hint}
      errors={errors}
      options={(chosen ? [] : (towns.data ?? [])).map((town) => ({
        key: String(town.id),
        title: town.name,
        more: `${town.country} · ${timeIn(town.time_zone, i18n.language)}`,
        value: town,
      }))}
      onType={(text) => {
        setTyped(text);
        setChosen(null);
        onChoose(null);
      }}
      onChoose={(town) => {
        setTyped(`${town.name}, ${town.country}`);
        setChosen(town);
        onChoose(town);
      }}
    />
  );
}
