import { useState } from "react";
import { useFact, useFactActions, useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Advice } from "../ui/Advice";
import { useBrandReport } from "./BrandReport";
import { PictureCrop } from "./PictureCrop";
import { IconMaker } from "./IconMaker";
import { IconPicture } from "./IconPicture";

/** The icon at the sizes at which it is met, and its true smallest pixels made large. */
function Shown() {
  const { t } = useTranslation();
  const icon = useBrandReport()?.icon;
  if (!icon) return <p className="h-14 text-soft">{t("state.loading")}</p>;
  const large = icon.files["icon.svg"] ?? icon.files["icon-512.png"];
  return (
    <div className="flex flex-wrap items-end gap-4">
      <img src={large} alt={t("icon.shown")} width={56} height={56} />
      <img src={icon.pixels["32"]} alt="" width={32} height={32} />
      <img src={icon.pixels["16"]} alt="" width={16} height={16} />
      <figure className="ms-auto flex items-end gap-2">
        <figcaption className="max-w-20 text-end text-[11px] leading-tight text-soft">{t("icon.enlarged")}</figcaption>
        <span className="grid grid-cols-2 overflow-hidden rounded-sm border border-line">
          <img
            src={icon.pixels["16"]}
            alt={t("icon.onLight")}
            width={56}
            height={56}
            className="pixels p-1"
            style={{ background: icon.grounds.light }}
          />
          <img
            src={icon.pixels["16"]}
            alt={t("icon.onDark")}
            width={56}
            height={56}
            className="pixels p-1"
            style={{ background: icon.grounds.dark }}
          />
        </span>
      </figure>
    </div>
  );
}

function Legible({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const icon = useBrandReport()?.icon;
  const fact = useFact("icon");
  const facts = useFactActions();
  if (!icon) return null;
  const { mark } = icon;
  return (
    <div role="status" className="mt-2 grid gap-1">
      {icon.starter && <Advice>{t("icon.starter")}</Advice>}
      {icon.undrawn && <Advice>{t("icon.undrawn", { letters: icon.undrawn })}</Advice>}
      {icon.advice.map((advice) => (
        <Advice key={advice} good={advice === "clear"}>
          {t(`icon.advice.${advice}`)}
        </Advice>
      ))}
      {!readOnly && mark && icon.advice.includes("strip_in_square") && fact && fact.source !== "drawn" && (
        <p>
          <ActionLink onClick={() => facts.choose({ icon: { ...fact, crop: mark } })}>{t("icon.markAlone")}</ActionLink>
        </p>
      )}
    </div>
  );
}

type Way = "made" | "picture" | "logo";

export function IconField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const facts = useFactActions();
  const [way, setWay] = useState<Way | null>(null);
  const icon = useFact("icon");
  const logo = useFact("logo");
  const open = (next: Way) => setWay(way === next ? null : next);
  return (
    <div data-field="icon" tabIndex={-1} className="outline-none">
      <div className={way === "made" ? "sticky top-24 z-10 border-b border-line bg-paper pb-2 xl:top-15" : ""}>
        <Shown />
        <Legible readOnly={readOnly} />
      </div>
      {!readOnly && (
        <>
          <div className="mt-2 flex flex-wrap">
            <ActionLink expanded={way === "made"} onClick={() => open("made")}>
              {t("icon.make")}
            </ActionLink>
            {logo && (
              <ActionLink
                expanded={way === "logo"}
                onClick={() => {
                  open("logo");
                  if (icon?.source !== "logo") facts.choose({ icon: { source: "logo", crop: null } });
                }}
              >
                {t("icon.fromLogo")}
              </ActionLink>
            )}
            <ActionLink expanded={way === "picture"} onClick={() => open("picture")}>
              {t("icon.fromPicture")}
            </ActionLink>
            {icon && <ActionLink onClick={() => facts.choose({ icon: null })}>{t("icon.remove")}</ActionLink>}
          </div>
          {way === "made" && <IconMaker />}
          {way === "picture" && <IconPicture site={site.slug} />}
          {way === "logo" && icon?.source === "logo" && <LogoCrop site={site.slug} />}
        </>
      )}
    </div>
  );
}

/** The part of the logo that the icon shows. */
function LogoCrop({ site }: { site: string }) {
  const facts = useFactActions();
  const logo = useFact("logo");
  const crop = useBrandReport()?.icon.crop;
  if (!logo || !crop) return null;
  return (
    <PictureCrop
      aspect={1}
      src={`/api/sites/${site}/files/pic-${logo.picture}`}
      crop={crop}
      onCrop={(next) => facts.choose({ icon: { source: "logo", crop: next } }, true)}
    />
  );
}
