import { useFact, useFactActions } from "../draft/hooks";
import type { Facts } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ColourInput } from "./ColourInput";
import { useBrandReport } from "./BrandReport";

type Drawn = Extract<NonNullable<Facts["icon"]>, { source: "drawn" }>;
const PLAIN: Drawn = {
  source: "drawn",
  letters: "",
  shape: "",
  form: "rounded",
  ground: "",
  ground_to: "",
  shadow: false,
};

/** The first letters of a text as a reader counts them. */
function firstLetters(text: string, count: number): string {
  return [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(text)]
    .slice(0, count)
    .map((one) => one.segment)
    .join("");
}

function Choices<T extends string>({
  legend,
  all,
  chosen,
  label,
  onChoose,
  picture,
}: {
  legend: string;
  all: T[];
  chosen: string;
  label: (one: T) => string;
  onChoose: (one: T) => void;
  picture?: (one: T) => string;
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1 text-xs text-soft">{legend}</legend>
      <div className="flex flex-wrap gap-1">
        {all.map((one) => (
          <label key={one} title={label(one)} className="cursor-pointer">
            <input
              type="radio"
              name={legend}
              className="peer unseen"
              checked={chosen === one}
              aria-label={label(one)}
              onChange={() => onChoose(one)}
            />
            <span className="grid min-h-8 min-w-8 place-items-center rounded-sm border border-line px-1.5 text-[12.5px] peer-checked:border-act peer-checked:bg-act-soft peer-focus-visible:outline-2 peer-focus-visible:outline-offset-1 peer-focus-visible:outline-act">
              {picture ? <img src={picture(one)} alt="" width={22} height={22} /> : label(one)}
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Ground({ icon, set }: { icon: Drawn; set: (part: Partial<Drawn>) => void }) {
  const { t } = useTranslation();
  const brand = useFact("brand_colour");
  const own = icon.ground || brand;
  return (
    <div className="grid gap-1.5">
      <span className="flex flex-wrap items-center gap-2">
        <ColourInput label={t("maker.ground")} value={own} onChange={(ground) => set({ ground })} />
        {icon.ground && (
          <button type="button" className="act-link" onClick={() => set({ ground: "" })}>
            {t("maker.siteColour")}
          </button>
        )}
      </span>
      {icon.form !== "plain" && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-act"
            checked={icon.ground_to !== ""}
            onChange={(event) => set({ ground_to: event.target.checked ? "#c0762f" : "" })}
          />
          {t("maker.gradient")}
          {icon.ground_to && (
            <ColourInput
              label={t("maker.gradientTo")}
              hideLabel
              value={icon.ground_to}
              onChange={(ground_to) => set({ ground_to })}
            />
          )}
        </label>
      )}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-4 accent-act"
          checked={icon.shadow}
          onChange={(event) => set({ shadow: event.target.checked })}
        />
        {t("maker.shadow")}
      </label>
    </div>
  );
}

/** An icon made here: letters or a shape on a ground. Every choice is kept and seen at once. */
export function IconMaker() {
  const { t } = useTranslation();
  const facts = useFactActions();
  const report = useBrandReport();
  const kept = useFact("icon");
  const icon: Drawn = kept?.source === "drawn" ? kept : PLAIN;
  const set = (part: Partial<Drawn>) =>
    facts.choose({ icon: { ...icon, ...part } }, "ground" in part || "ground_to" in part || "letters" in part);
  return (
    <div className="mt-3 grid gap-3 rounded-md border border-line p-3">
      <label className="flex items-center gap-2">
        <span className="text-xs text-soft">{t("maker.letters")}</span>
        <input
          value={icon.letters}
          dir="auto"
          placeholder={t("maker.firstLetter")}
          className="w-36 rounded-sm border border-soft bg-paper px-2 py-1 font-display text-lg font-semibold placeholder:text-sm placeholder:font-normal placeholder:text-soft"
          onChange={(event) =>
            set({ letters: firstLetters(event.target.value, report?.icon.most_letters ?? 1), shape: "" })
          }
        />
      </label>
      <Choices
        legend={t("maker.shape")}
        all={report?.shapes ?? []}
        chosen={icon.shape}
        label={(shape) => t(`shape.${shape}`)}
        picture={(shape) => `/api/shapes/${shape}`}
        onChoose={(shape) => set({ shape, letters: "" })}
      />
      <Choices
        legend={t("maker.form")}
        all={report?.forms ?? []}
        chosen={icon.form}
        label={(form) => t(`form.${form}`)}
        onChoose={(form) => set({ form })}
      />
      <Ground icon={icon} set={set} />
    </div>
  );
}
