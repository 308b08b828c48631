import { useCallback, useState } from "react";
import { useTranslation } from "react-i18next";
import type { Facts } from "../api/client";
import { BringPictures } from "../pictures/BringPictures";
import { PictureChoice } from "../pictures/PictureChoice";
import type { Picture } from "../pictures/api";
import { useSite } from "../shell/SiteFrame";
import { valueOf } from "../sheet/keeper";
import { useKeeper } from "../sheet/KeeperProvider";
import { Act } from "./Advice";
import { useMarks } from "./api";
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
  const marks = useMarks();
  const { state } = useKeeper();
  const logo = valueOf(state, "logo");
  if (!logo) return <p className="mb-1 text-soft">{t("logo.none")}</p>;
  return (
    <div className="checker mb-2 grid h-21 place-items-center overflow-hidden rounded-md border border-line p-2">
      {!marks && <span className="text-soft">{t("state.loading")}</span>}
      {marks?.logo && (
        <span className="relative block">
          <img src={marks.logo.src} alt={t("logo.shown")} className="block max-h-16 max-w-full" />
          {logo && !logo.trim && marks.logo.trim && <Frame box={marks.logo.trim} />}
        </span>
      )}
    </div>
  );
}

export function LogoField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const { keeper, state } = useKeeper();
  const [choosing, setChoosing] = useState<"logo" | "logo_dark" | null>(null);
  const logo = valueOf(state, "logo");
  const take = useCallback(
    (picture: Picture) => {
      const { logo: former, logo_dark: dark } = keeper.snapshot().style.facts;
      // A version for dark that was made of the former logo says nothing of the new one.
      const stale = dark && dark.picture === former?.picture;
      keeper.choose({ logo: logoOf(picture), logo_width: 0, ...(stale ? { logo_dark: null } : {}) });
    },
    [keeper],
  );

  if (readOnly) return <Shown />;
  return (
    <div data-fact="logo" tabIndex={-1} className="outline-none">
      <BringPictures
        site={site.slug}
        label={t(logo ? "logo.replace" : "logo.bring")}
        onTaken={take}
        actions={
          <>
            <Act pressed={choosing === "logo"} onClick={() => setChoosing(choosing === "logo" ? null : "logo")}>
              {t("logo.fromPictures")}
            </Act>
            {logo && <Act onClick={() => keeper.choose({ logo: null })}>{t("logo.takeAway")}</Act>}
          </>
        }
      >
        <Shown />
      </BringPictures>
      {choosing && (
        <PictureChoice
          site={site.slug}
          onChoose={(picture) => {
            if (choosing === "logo") take(picture);
            else keeper.choose({ logo_dark: logoOf(picture) });
            setChoosing(null);
          }}
        />
      )}
      {logo && <LogoAdvice onChooseDark={() => setChoosing("logo_dark")} />}
      {logo && <LogoOptions />}
    </div>
  );
}
