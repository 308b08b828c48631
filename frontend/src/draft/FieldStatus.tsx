import { useTranslation } from "../i18n/useTranslation";
import type { SaveStatus } from "./document";
import { useFieldState } from "./hooks";
import type { DocumentId } from "./store";

function tone(status: SaveStatus | undefined): string {
  switch (status) {
    case "offline":
    case "signedOut":
    case "refused":
      return "text-stop";
    case "saved":
      return "text-act";
    case "typing":
    case "saving":
    case undefined:
      return "";
    default:
      return status satisfies never;
  }
}

/** Whether what stands in a field is saved; said quietly at the field itself. */
export function FieldStatus({ document, field }: { document: DocumentId; field: string }) {
  const { t } = useTranslation();
  const { status: told, conflict } = useFieldState(document, field);
  // Of what waits for a choice nothing is on its way.
  const status = conflict ? undefined : told;
  return (
    <span role="status" className={tone(status)}>
      {status ? t(`save.${status}`) : ""}
    </span>
  );
}
