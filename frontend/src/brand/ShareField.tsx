import { useCallback, useState } from "react";
import { useTranslation } from "react-i18next";
import { BringPictures } from "../pictures/BringPictures";
import { PictureChoice } from "../pictures/PictureChoice";
import type { Picture } from "../pictures/api";
import { useSite } from "../shell/SiteFrame";
import { valueOf } from "../sheet/keeper";
import { useKeeper } from "../sheet/KeeperProvider";
import { Act } from "./Advice";
import { useMarks } from "./api";

/** The picture that goes with the site's address where it is shared. */
export function ShareField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const site = useSite();
  const { keeper, state } = useKeeper();
  const share = useMarks()?.share;
  const own = valueOf(state, "share_picture");
  const [choosing, setChoosing] = useState(false);
  const take = useCallback(
    (picture: Picture) => keeper.choose({ share_picture: { picture: picture.key, description: picture.description } }),
    [keeper],
  );
  const shown = (
    <>
      <p className="font-medium">{t(own ? "share.own" : "share.composed")}</p>
      <p className="mb-1.5 text-xs text-soft">{share && share.bytes > 0 && t("share.size", { kB: Math.round(share.bytes / 1000) })}</p>
    </>
  );
  if (readOnly) return shown;
  return (
    <div data-fact="share_picture" tabIndex={-1} className="outline-none">
      <BringPictures
        site={site.slug}
        label={t("share.bring")}
        onTaken={take}
        actions={
          <>
            <Act pressed={choosing} onClick={() => setChoosing(!choosing)}>
              {t("logo.fromPictures")}
            </Act>
            {own && <Act onClick={() => keeper.choose({ share_picture: null })}>{t("share.compose")}</Act>}
          </>
        }
      >
        {shown}
      </BringPictures>
      {choosing && (
        <PictureChoice
          site={site.slug}
          onChoose={(picture) => {
            take(picture);
            setChoosing(false);
          }}
        />
      )}
      <p className="mt-2 text-xs text-soft">{t("share.elsewhere")}</p>
    </div>
  );
}
