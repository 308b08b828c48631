import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useRestorePicture, type Picture } from "./api";

interface Props {
  pictures: Picture[];
  days: number;
  site: string;
  mayEdit: boolean;
}

/** Pictures that were deleted lately and can be brought back. */
export function DeletedPictures({ pictures, days, site, mayEdit }: Props) {
  const { t } = useTranslation();
  const back = useRestorePicture(site);
  if (!pictures.length) return null;
  return (
    <section aria-labelledby="deleted" className="mt-8 px-6">
      <h2 id="deleted" className="mb-2 text-base font-semibold">
        {t("pictures.deleted", { days })}
      </h2>
      <ErrorNotice error={back.error} />
      <ul className="border-t border-line">
        {pictures.map((picture) => (
          <li key={picture.id} className="flex items-center gap-4 border-b border-line py-2">
            <span className="checker grid size-12 flex-none place-items-center rounded-sm border border-line">
              <img src={picture.thumbnail} alt="" className="max-h-10 max-w-10 object-contain opacity-60" />
            </span>
            <span className="min-w-0 flex-1 break-words text-soft">{picture.title || picture.name}</span>
            {mayEdit && (
              <button type="button" className="act-link flex-none" onClick={() => back.mutate(picture.id)}>
                {t("pictures.restore")}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
