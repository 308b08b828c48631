import { useEffect, useState, useSyncExternalStore } from "react";
import type { Row } from "../draft/facts";
import { useTranslation } from "../i18n/useTranslation";
import { FactProofs } from "../proofs/FactProofs";

function onViewport(changed: () => void) {
  visualViewport?.addEventListener("resize", changed);
  visualViewport?.addEventListener("scroll", changed);
  return () => {
    visualViewport?.removeEventListener("resize", changed);
    visualViewport?.removeEventListener("scroll", changed);
  };
}

/** How many pixels at the bottom of the window lie below a keyboard on the screen, where that covers the window. */
function useHidden(): number {
  return useSyncExternalStore(onViewport, () =>
    visualViewport ? Math.max(0, Math.round(innerHeight - visualViewport.height - visualViewport.offsetTop)) : 0,
  );
}

/** As tall as the smallest proof with its words, in pixels. */
const A_PROOF = 90;

/** Whether the first proof of a row stands in its place where it can be seen, above what lies over the sheet's end. */
function useSeenInPlace(row: Row): boolean {
  const [isSeen, setSeen] = useState(true);
  useEffect(() => {
    const proofs = document.getElementById(`fact-${row.key}`)?.closest("[role=group]")?.querySelector("[data-proofs]");
    if (!proofs) return;
    const observer = new IntersectionObserver(
      ([entry]) => setSeen(entry !== undefined && entry.intersectionRect.height > A_PROOF),
      { rootMargin: "-110px 0px 0px 0px", threshold: [0, 0.1, 0.2, 0.4, 0.6, 0.8, 1] },
    );
    observer.observe(proofs);
    return () => observer.disconnect();
  }, [row]);
  return isSeen;
}

/** The proofs of the fact that is being edited, where the keyboard leaves them in sight. */
export function EditedProofs({ row }: { row: Row }) {
  const { t } = useTranslation();
  const hidden = useHidden();
  if (useSeenInPlace(row) && hidden === 0) return null;
  return (
    <aside
      aria-label={t("sheet.proofsOf", { fact: t(`factName.${row.key}`) })}
      style={{ bottom: hidden }}
      className="edited-proofs dotted fixed inset-x-0 z-20 flex h-32 gap-3 overflow-auto border-t border-line px-4 py-2.5"
    >
      <FactProofs row={{ ...row, slots: row.slots.slice(0, 2) }} only />
    </aside>
  );
}
