import { useCallback } from "react";
import { useTranslation } from "react-i18next";
import { proposedCrop, type Picture } from "../pictures/api";
import { BringPictures } from "../pictures/BringPictures";
import { PictureChoice } from "../pictures/PictureChoice";
import { valueOf } from "../sheet/keeper";
import { useKeeper } from "../sheet/KeeperProvider";
import { IconCrop } from "./IconCrop";

/** An icon from a picture: bring or choose one, then the square of it; the first square is proposed. */
export function IconPicture({ site }: { site: string }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const icon = valueOf(state, "icon");
  const take = useCallback(
    (picture: Picture) => {
      void proposedCrop(site, picture.id).then((crop) => keeper.choose({ icon: { source: "picture", picture: picture.key, crop } }));
    },
    [site, keeper],
  );
  return (
    <div className="mt-2">
      <BringPictures site={site} label={t("icon.bring")} onTaken={take} />
      <PictureChoice site={site} onChoose={take} />
      {icon?.source === "picture" && (
        <IconCrop
          key={icon.picture}
          src={`/api/sites/${site}/files/pic-${icon.picture}`}
          crop={icon.crop}
          onCrop={(crop) => keeper.choose({ icon: { ...icon, crop } }, true)}
        />
      )}
    </div>
  );
}
