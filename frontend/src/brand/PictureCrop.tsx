import { useState } from "react";
import ReactCrop, { type PercentCrop } from "react-image-crop";
import "react-image-crop/dist/ReactCrop.css";
import { useTranslation } from "../i18n/useTranslation";
import { percent, shares } from "./crop";

interface Props {
  src: string;
  crop: number[];
  /** Width by height, if it must stay. */
  aspect?: number;
  onCrop: (crop: number[]) => void;
}

/** The part of a picture that is shown: by mouse, by touch, and by the arrow keys. */
export function PictureCrop({ src, crop, aspect, onCrop }: Props) {
  const { t } = useTranslation();
  const [shown, setShown] = useState<PercentCrop>();
  return (
    <div className="mt-2">
      <ReactCrop
        crop={shown ?? percent(crop)}
        {...(aspect ? { aspect } : {})}
        keepSelection
        minWidth={16}
        ruleOfThirds={false}
        className="checker max-w-full rounded-md border border-line"
        ariaLabels={{
          cropArea: t("crop.area"),
          nwDragHandle: t("crop.nw"),
          nDragHandle: t("crop.n"),
          neDragHandle: t("crop.ne"),
          eDragHandle: t("crop.e"),
          seDragHandle: t("crop.se"),
          sDragHandle: t("crop.s"),
          swDragHandle: t("crop.sw"),
          wDragHandle: t("crop.w"),
        }}
        onChange={(_, next) => setShown(next)}
        onComplete={(_, next) => next.width > 0 && shown && onCrop(shares(next))}
      >
        <img src={src} alt={t("crop.picture")} className="max-h-72 max-w-full" />
      </ReactCrop>
      <p className="text-xs text-soft">{t("crop.hint")}</p>
    </div>
  );
}
