import { useCallback, useState } from "react";
import { useFact, useFactActions, useSite } from "../draft/hooks";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { PictureChoice, UploadArea, type Picture } from "../pictures";
import { ActionLink } from "../ui/ActionLink";
import { Advice } from "../ui/Advice";
import { useBrandReport } from "./BrandReport";

/** The picture that goes with the site's address where it is shared. */
export function ShareField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const site = useSite();
  const facts = useFactActions();
  const share = useBrandReport()?.share;
  const own = useFact("share_picture");
  const [choosing, setChoosing] = useState(false);
  const take = useCallback(
    (picture: Picture) => facts.choose({ share_picture: { picture: picture.key, description: picture.description } }),
    [facts],
  );
  const shown = (
    <>
      <p className="font-medium">{t(own ? "share.own" : "share.composed")}</p>
      <p className="mb-1.5 text-xs text-soft">
        {share && share.bytes > 0 && t("share.size", { size: format.bytes(share.bytes) })}
      </p>
      {share?.undrawn && <Advice>{t("share.undrawn", { letters: share.undrawn })}</Advice>}
    </>
  );
  if (readOnly) return shown;
  return (
    <div data-field="share_picture" tabIndex={-1} className="outline-none">
      <UploadArea
        site={site.slug}
        label={t("share.upload")}
        onUploaded={take}
        actions={
          <>
            <ActionLink expanded={choosing} onClick={() => setChoosing(!choosing)}>
              {t("logo.fromPictures")}
            </ActionLink>
            {own && <ActionLink onClick={() => facts.choose({ share_picture: null })}>{t("share.compose")}</ActionLink>}
          </>
        }
      >
        {shown}
      </UploadArea>
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
