import { useId, useState } from "react";
import type { Town } from "../api/client";
import type { FieldError } from "../api/problem";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { Combobox } from "../ui/Combobox";
import { useSettled } from "../ui/useSettled";
import { useCountries, useTowns } from "./api";

interface Props {
  label: string;
  hideLabel?: boolean;
  hint: string;
  errors?: FieldError[];
  onChoose: (town: Town | null) => void;
}

/** Where a town is, what else it is called here, and the time there. */
function more(town: Town, time: string): string {
  const region = town.region && town.region !== town.name ? [town.region] : [];
  return [[...region, town.country].join(", "), time].filter(Boolean).join(" · ");
}

/** Chooses a clock by a town: what one knows is where one is, not the name of a zone. */
export function TownField({ label, hideLabel = false, hint, errors = [], onChoose }: Props) {
  const { t } = useTranslation();
  const format = useFormat();
  const id = useId();
  const [country, setCountry] = useState("");
  const [byCountry, setByCountry] = useState(false);
  const countries = useCountries(byCountry).data;
  const [typed, setTyped] = useState("");
  const [chosen, setChosen] = useState<Town | null>(null);
  const settled = useSettled(typed, 120);
  const towns = useTowns(chosen ? "" : settled, chosen ? "" : country);
  const none = !chosen && towns.data?.length === 0;

  return (
    <>
      <Combobox
        label={label}
        hideLabel={hideLabel}
        typed={typed}
        hint={none ? t("town.none", { typed: settled }) : chosen ? t("town.clock", { zone: chosen.time_zone }) : hint}
        errors={errors}
        options={(chosen ? [] : (towns.data ?? [])).map((town) => ({
          key: String(town.id),
          title: town.found_as === town.name ? town.name : `${town.name} (${town.found_as})`,
          more: more(town, format.timeIn(town.time_zone)),
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
      {!chosen && (
        <div className="mt-1 flex flex-wrap items-center gap-2 text-xs">
          {byCountry ? (
            <>
              <label htmlFor={id} className="text-soft">
                {t("town.country")}
              </label>
              <select
                id={id}
                value={country}
                className="max-w-48 rounded-sm border border-soft bg-paper px-1.5 py-1"
                onChange={(event) => setCountry(event.target.value)}
              >
                <option value="">{t("town.anyCountry")}</option>
                {countries?.map((one) => (
                  <option key={one.code} value={one.code}>
                    {one.name}
                  </option>
                ))}
              </select>
            </>
          ) : (
            <button type="button" className="act-link" onClick={() => setByCountry(true)}>
              {t("town.missing")}
            </button>
          )}
        </div>
      )}
    </>
  );
}
