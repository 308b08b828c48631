import { useId } from "react";
import type { Facts } from "../api/client";
import { useFact, useFactActions, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useCountries } from "../sites";
import { ActionLink } from "../ui/ActionLink";
import { Advices } from "../ui/Advices";
import { useSettled } from "../ui/useSettled";
import { useDetails, type Details } from "./api";

export type Address = NonNullable<Facts["postal_address"]>;
type Part = Details["form"][number][number];
type Set = (change: Partial<Address>) => void;

const INPUT = "w-full rounded-sm border border-soft bg-paper px-2 py-1.5 disabled:border-line";

function emptyIn(country: string): Address {
  return { country, street: [], area: "", locality: "", region: "", postcode: "", sorting: "" };
}

interface FieldProps {
  address: Address;
  readOnly: boolean;
  set: Set;
}

function Streets({ address, readOnly, set }: FieldProps) {
  const { t } = useTranslation();
  const lines = address.street.length ? address.street : [""];
  const write = (at: number, text: string) => set({ street: lines.map((line, index) => (index === at ? text : line)) });
  return (
    <div className="grid gap-1.5">
      {lines.map((line, index) => (
        <label key={index} className="grid gap-0.5">
          <span className={index ? "unseen" : "text-xs text-soft"}>
            {index ? t("address.line", { number: index + 1 }) : t("address.street")}
          </span>
          <input
            type="text"
            dir="auto"
            disabled={readOnly}
            maxLength={120}
            value={line}
            className={INPUT}
            onChange={(event) => write(index, event.target.value)}
          />
        </label>
      ))}
      {!readOnly && lines.length < 4 && lines.every(Boolean) && (
        <span>
          <ActionLink onClick={() => set({ street: [...lines, ""] })}>{t("address.moreStreet")}</ActionLink>
        </span>
      )}
    </div>
  );
}

function PartField({ part, address, readOnly, set }: FieldProps & { part: Part }) {
  const { t } = useTranslation();
  const id = useId();
  const key = part.field as "area" | "locality" | "region" | "postcode" | "sorting";
  const value = address[key];
  const known = part.choices.some(({ code }) => code === value);
  return (
    <div className="grid min-w-28 flex-1 gap-0.5">
      <label htmlFor={id} className="text-xs text-soft">
        {t(`address.called.${part.called}`)}
      </label>
      {part.choices.length > 0 && (known || !value) ? (
        <select
          id={id}
          disabled={readOnly}
          value={value}
          className={INPUT}
          onChange={(event) => set({ [key]: event.target.value })}
        >
          <option value="">{t("address.choose")}</option>
          {part.choices.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </select>
      ) : (
        <input
          id={id}
          type="text"
          dir="auto"
          disabled={readOnly}
          maxLength={80}
          value={value}
          className={INPUT}
          onChange={(event) => set({ [key]: event.target.value })}
        />
      )}
    </div>
  );
}

function Country({ country, readOnly, onChoose }: { country: string; readOnly: boolean; onChoose: Set }) {
  const { t } = useTranslation();
  const countries = useCountries(true).data ?? [];
  return (
    <label className="grid gap-0.5">
      <span className="text-xs text-soft">{t("address.country")}</span>
      <select
        disabled={readOnly}
        value={country}
        className={INPUT}
        onChange={(event) => onChoose({ country: event.target.value, region: "" })}
      >
        {countries.map((one) => (
          <option key={one.code} value={one.code}>
            {one.name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** A postal address, its parts in the order of its country. */
export function AddressField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const site = useSite().slug;
  const kept = useFact("postal_address");
  const found = useDetails(site, useFact("phone"), useSettled(kept, 300)).data;
  const country = kept?.country ?? found?.country ?? "";
  if (!kept)
    return readOnly || !country ? (
      <p className="text-soft">{t("address.none")}</p>
    ) : (
      <ActionLink onClick={() => facts.choose({ postal_address: emptyIn(country) })}>{t("address.begin")}</ActionLink>
    );
  const set: Set = (change) => facts.choose({ postal_address: { ...kept, ...change } }, true);
  return (
    <div data-field="postal_address" tabIndex={-1} className="grid gap-2 outline-none">
      <Country country={country} readOnly={readOnly} onChoose={set} />
      {found?.form.map((line, index) => (
        <div key={index} className="flex flex-wrap gap-2">
          {line.map((part) =>
            part.field === "street" ? (
              <div key="street" className="basis-full">
                <Streets address={kept} readOnly={readOnly} set={set} />
              </div>
            ) : (
              <PartField key={part.field} part={part} address={kept} readOnly={readOnly} set={set} />
            ),
          )}
        </div>
      ))}
      <Advices notices={found?.notices.filter((one) => one.field.startsWith("postal_address")) ?? []} />
      {!readOnly && (
        <span>
          <ActionLink onClick={() => facts.choose({ postal_address: null })}>{t("address.remove")}</ActionLink>
        </span>
      )}
    </div>
  );
}
