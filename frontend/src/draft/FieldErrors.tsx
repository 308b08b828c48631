import { useTranslation } from "../i18n/useTranslation";
import { fixOf } from "./fixes";
import { useFieldState, useFieldText, useSelect, useStore } from "./hooks";
import type { DocumentId } from "./store";

/** What is wrong with a field's words, each with its fix. */
export function FieldErrors({ document, field, id }: { document: DocumentId; field: string; id: string }) {
  const { t } = useTranslation();
  const store = useStore();
  const text = useFieldText(document, field);
  const isText = useSelect((one) => typeof one.document(document).value(field) === "string");
  const { errors } = useFieldState(document, field);
  return (
    <>
      <div id={id} role="alert" className="mt-1.5 grid gap-1.5 text-stop empty:hidden">
        {errors.map((error, index) => (
          <p key={index}>{error.message}</p>
        ))}
      </div>
      {errors.map((error, index) => {
        // What is wrong within a value that is no text is put right where it stands.
        const fixed = isText ? fixOf(text, error)?.fixed : null;
        if (fixed == null) return null;
        return (
          <button
            key={index}
            type="button"
            className="act-link mt-1 me-3"
            onClick={() => store.type(document, field, fixed)}
          >
            {error.fix?.trim() ? t("fix.write", { fix: error.fix }) : t("fix.takeOut")}
          </button>
        );
      })}
    </>
  );
}
