import { useCallback, useState } from "react";
import { useFact, useFactActions, useSite, useStore } from "../draft/hooks";
import type { Facts } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { PictureChoice, UploadArea, type Picture } from "../pictures";
import { ActionLink } from "../ui/ActionLink";
import { useBrandReport } from "./BrandReport";
import { LogoAdvice } from "./LogoAdvice";
import { LogoOptions } from "./LogoOptions";

type Logo = NonNullable<Facts["logo"]>;

/** A logo from a picture of the site, whole, in its own colours. */
export function logoOf(picture: Picture): Logo {
  return { picture: picture.key, trim: null, recolour: "", description: picture.description };
}

/** What a trim would leave, framed within the whole. */
function Frame({ box }: { box: number[] }) {
  const [left = 0, top = 0, right = 1, bottom = 1] = box.map((share) => share * 100);
  return (
    <i
      aria-hidden
      className="absolute border border-dashed border-[#9a4b00]"
      style={{ left: `${left}%`, top: `${top}%`, width: `${right - left}%`, height: `${bottom - top}%` }}
    />
  );
}

/** The logo as it is, on a ground that shows where it is clear. */
function Shown() {
  const { t } = useTranslation();
  const report = useBrandReport();
  const logo = useFact("logo");
  if (!logo) return <p className="mb-1 text-soft">{t("logo.none")}</p>;
  return (
    <div className="checker mb-2 grid h-21 place-items-center overflow-hidden rounded-md border border-line p-2">
      {!report && <span className="text-soft">{t("state.loading")}</span>}
      {report?.logo && (
        <span className="relative block">
          <img src={report.logo.src} alt={t("logo.shown")} className="block max-h-16 max-w-full" />
          {!logo.trim && report.logo.trim && <Frame box={report.logo.trim} />}
        </span>
      )}
    </div>
  );
}

export function LogoField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const facts = useFactActions();
  const store = useStore();
  const [choosing, setChoosing] = useState<"logo" | "logo_dark" | null>(null);
  const logo = useFact("logo");
  const take = useCallback(
    (picture: Picture) => {
      const former = store.facts.value("logo");
      const dark = store.facts.value("logo_dark");
      // A version for dark that was made of the former logo says nothing of the new one.
      const stale = dark && dark.picture === former?.picture;
      facts.choose({ logo: logoOf(picture), logo_width: 0, logo_phone: null, ...(stale ? { logo_dark: null } : {}) });
    },
    [facts, store],
  );

  if (readOnly) return <Shown />;
  return (
    <div data-field="logo" tabIndex={-1} className="outline-none">
      <UploadArea
        site={site.slug}
        label={t(logo ? "logo.replace" : "logo.upload")}
        onUploaded={take}
        actions={
          <>
            <ActionLink expanded={choosing === "logo"} onClick={() => setChoosing(choosing === "logo" ? null : "logo")}>
              {t("logo.fromPictures")}
            </ActionLink>
            {logo && <ActionLink onClick={() => facts.choose({ logo: null })}>{t("logo.remove")}</ActionLink>}
          </>
        }
      >
        <Shown />
      </UploadArea>
      {choosing && (
        <PictureChoice
          site={site.slug}
          onChoose={(picture) => {
            if (choosing === "logo") take(picture);
            else facts.choose({ logo_dark: logoOf(picture) });
            setChoosing(null);
          }}
        />
      )}
      {logo && <LogoAdvice onChooseDark={() => setChoosing("logo_dark")} />}
      {logo && <LogoOptions />}
    </div>
  );
}
