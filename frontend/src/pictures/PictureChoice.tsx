import { useTranslation } from "../i18n/useTranslation";
import { QueryBoundary } from "../ui/QueryBoundary";
import { usePictures, type Picture } from "./api";

/** The site's pictures, to choose one from. */
export function PictureChoice({ site, onChoose }: { site: string; onChoose: (picture: Picture) => void }) {
  const { t } = useTranslation();
  const pictures = usePictures(site);
  return (
    <QueryBoundary query={pictures}>
      {({ pictures: all }) =>
        all.length ? (
          <ul
            aria-label={t("view.pictures")}
            className="mt-2 flex max-h-56 flex-wrap gap-2 overflow-auto rounded-md border border-line p-2"
          >
            {all.map((picture) => (
              <li key={picture.id}>
                <button
                  type="button"
                  title={picture.name}
                  onClick={() => onChoose(picture)}
                  className="checker grid size-18 place-items-center rounded-sm border border-line hover:border-act"
                >
                  <img
                    src={picture.thumbnail}
                    alt={picture.description || picture.name}
                    className="max-h-16 max-w-16 object-contain"
                  />
                </button>
              </li>
            ))}
          </ul>
        ) : (
          <p className="mt-2 text-soft">{t("pictures.none")}</p>
        )
      }
    </QueryBoundary>
  );
}
