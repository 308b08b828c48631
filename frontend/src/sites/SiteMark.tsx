import type { Site } from "../api/client";
import { useSites } from "./api";

/** On a button of what could be done to the wrong site: which one it is done to, for people who have several. */
export function SiteMark({ site }: { site: Site }) {
  const several = (useSites().data?.length ?? 0) > 1;
  if (!several) return null;
  return (
    <>
      <img
        src={site.icon_url}
        alt=""
        width={20}
        height={20}
        className="order-first me-2 flex-none rounded-sm bg-white"
      />
      <span dir="auto" className="ms-1.5 max-w-40 truncate font-normal max-sm:sr-only">
        · {site.name}
      </span>
    </>
  );
}
