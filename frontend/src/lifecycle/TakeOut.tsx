import type { Site } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { Part } from "../ui/Part";

interface OutProps {
  name: string;
  note: string;
  href: string;
}

function Out({ name, note, href }: OutProps) {
  return (
    <li>
      <a href={href} download className="act-link">
        {name}
      </a>
      {note && <p className="text-soft">{note}</p>}
    </li>
  );
}

/** The whole site as files for a web server, and as a package for another Hestor. */
export function TakeOut({ site }: { site: Site }) {
  const { t } = useTranslation();
  const own = `/api/sites/${site.slug}`;
  const live = `${own}/editions/${String(site.live_number)}`;
  return (
    <Part id="take-out" title={t("whole.out")}>
      <ul className="grid gap-2.5">
        {site.live_number > 0 && (
          <>
            <Out name={t("whole.files")} note={t("whole.filesNote")} href={`${live}/files.zip`} />
            <Out name={t("whole.package")} note={t("whole.packageNote")} href={`${live}/package.zip`} />
          </>
        )}
        <Out name={t("whole.draft")} note="" href={`${own}/package.zip`} />
      </ul>
    </Part>
  );
}
