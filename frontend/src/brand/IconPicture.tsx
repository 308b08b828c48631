import { useCallback } from "react";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { PictureChoice, proposedCrop, UploadArea, type Picture } from "../pictures";
import { PictureCrop } from "./PictureCrop";

/** An icon from a picture: bring or choose one, then the square of it; the first square is proposed. */
export function IconPicture({ site }: { site: string }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const icon = useFact("icon");
  const take = useCallback(
    (picture: Picture) => {
      void proposedCrop(site, picture.id).then((crop) =>
        facts.choose({ icon: { source: "picture", picture: picture.key, crop } }),
      );
    },
    [site, facts],
  );
  return (
    <div className="mt-2">
      <UploadArea site={site} label={t("icon.upload")} onUploaded={take} />
      <PictureChoice site={site} onChoose={take} />
      {icon?.source === "picture" && (
        <PictureCrop
          aspect={1}
          key={icon.picture}
          src={`/api/sites/${site}/files/pic-${icon.picture}`}
          crop={icon.crop}
          onCrop={(crop) => facts.choose({ icon: { ...icon, crop } }, true)}
        />
      )}
    </div>
  );
}
