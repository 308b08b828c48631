import { SHARED_PARTS } from "../api/lists.gen";
import { useSelect, useStore } from "../draft/hooks";
import type { DocumentId } from "../draft/store";
import { useTranslation } from "../i18n/useTranslation";
import { CheckBox } from "../ui/CheckBox";

/** Whether a page shows its heading, and which parts that all pages share it leaves out. */
export function SharedParts({ document }: { document: DocumentId }) {
  const { t } = useTranslation();
  const store = useStore();
  const leftOut = useSelect((one) => one.document(document).value("left_out")) as readonly string[];
  const showsHeading = useSelect((one) => one.document(document).value("shows_heading") !== false);
  const boxes = [
    { key: "heading", on: showsHeading, set: (on: boolean) => ({ shows_heading: on }) },
    ...SHARED_PARTS.map((part) => ({
      key: part,
      on: !leftOut.includes(part),
      set: (on: boolean) => ({ left_out: SHARED_PARTS.filter((one) => (one === part ? !on : leftOut.includes(one))) }),
    })),
  ];
  return (
    <details>
      <summary className="cursor-pointer text-soft">
        {t("page.shows")}
        {leftOut.length > 0 && (
          <span className="ms-2 rounded-sm bg-warn-soft px-1.5 text-xs text-ink">
            {t("page.leavesOut", { count: leftOut.length })}
          </span>
        )}
      </summary>
      <div role="group" aria-label={t("page.shows")} className="mt-2 grid gap-1.5 sm:grid-cols-2">
        {boxes.map(({ key, on, set }) => (
          <CheckBox key={key} checked={on} onChange={(checked) => store.choose(document, set(checked))}>
            {t(`sharedParts.${key}`)}
          </CheckBox>
        ))}
      </div>
    </details>
  );
}
