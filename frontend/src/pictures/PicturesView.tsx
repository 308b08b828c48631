import { useState } from "react";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useNamed } from "../ui/named";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";
import { ViewHead } from "../ui/ViewHead";
import { usePictures, type Picture, type Pictures } from "./api";
import { UploadArea } from "./UploadArea";
import { DeletedPictures } from "./DeletedPictures";
import { arranged, ORDERS, type Order } from "./model";
import { PictureRow } from "./PictureRow";

interface Seek {
  sought: string;
  order: Order;
  onlyUndescribed: boolean;
}

function Tools({ seek, undescribed, onSeek }: { seek: Seek; undescribed: number; onSeek: (seek: Seek) => void }) {
  const { t } = useTranslation();
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-2 px-6 pb-3">
      <SearchField label={t("pictures.find")} value={seek.sought} onType={(sought) => onSeek({ ...seek, sought })} />
      <label className="flex items-center gap-2">
        {t("pictures.sort")}
        <select
          value={seek.order}
          onChange={(event) => onSeek({ ...seek, order: event.target.value as Order })}
          className="min-h-9 rounded-md border border-soft bg-paper px-2"
        >
          {ORDERS.map((order) => (
            <option key={order} value={order}>
              {t(`pictures.by.${order}`)}
            </option>
          ))}
        </select>
      </label>
      {undescribed > 0 && (
        <label className="flex items-center gap-2 text-warn">
          <input
            type="checkbox"
            className="size-4 accent-act"
            checked={seek.onlyUndescribed}
            onChange={(event) => onSeek({ ...seek, onlyUndescribed: event.target.checked })}
          />
          {t("pictures.undescribed", { count: undescribed })}
        </label>
      )}
    </div>
  );
}

function List({ pictures, mayEdit }: { pictures: Picture[]; mayEdit: boolean }) {
  const { t } = useTranslation();
  const [seek, setSeek] = useState<Seek>({ sought: "", order: "newest", onlyUndescribed: false });
  const named = useNamed("picture");
  const undescribed = pictures.filter((picture) => !picture.description).length;
  if (!pictures.length) return <p className="px-6 py-4 text-soft">{t("pictures.none")}</p>;
  const found = arranged(pictures, seek.sought, seek.order, seek.onlyUndescribed && undescribed > 0);
  return (
    <>
      <Tools seek={seek} undescribed={undescribed} onSeek={setSeek} />
      {found.length === 0 && <p className="px-6 py-4 text-soft">{t("pictures.noMatch", { sought: seek.sought })}</p>}
      <ul className="border-t border-ink">
        {found.map((picture) => (
          <PictureRow
            key={picture.id === named.number ? named.visit : picture.id}
            picture={picture}
            mayEdit={mayEdit}
            named={picture.id === named.number}
          />
        ))}
      </ul>
    </>
  );
}

function Everything({ all, site, mayEdit }: { all: Pictures; site: string; mayEdit: boolean }) {
  return (
    <>
      <List pictures={all.pictures} mayEdit={mayEdit} />
      <DeletedPictures pictures={all.deleted} days={all.days_kept} site={site} mayEdit={mayEdit} />
    </>
  );
}

/** The pictures of a site: uploading them, what each is, where it is used, what it lacks. */
export function PicturesView() {
  const { t } = useTranslation();
  const site = useSite();
  const pictures = usePictures(site.slug);
  const mayEdit = site.may.edit.allowed;
  return (
    <div className="min-h-[calc(100vh-60px)] bg-paper pb-8">
      <ViewHead title={t("view.pictures")} lead={t("pictures.lead")} />
      {mayEdit && (
        <div className="px-6 pb-4">
          <UploadArea site={site.slug} several anywhere label={t("pictures.upload")} />
        </div>
      )}
      <QueryBoundary query={pictures}>
        {(all) => <Everything all={all} site={site.slug} mayEdit={mayEdit} />}
      </QueryBoundary>
    </div>
  );
}
