import { useTranslation } from "react-i18next";
import { useFact, useFactActions } from "../draft/hooks";

const KINDS = ["plain", "woven", "hidden"] as const;

/** How the address is written into pages, chosen by what it does for people and what it stops. */
export function ProtectionField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("contact_protection");
  return (
    <div
      role="radiogroup"
      aria-labelledby="fact-contact_protection"
      data-field="contact_protection"
      tabIndex={-1}
      className="grid gap-2 outline-none"
    >
      {KINDS.map((kind) => (
        <label
          key={kind}
          className="flex cursor-pointer items-baseline gap-2.5 rounded-md border border-line px-3 py-2 has-checked:border-act has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act"
        >
          <input
            type="radio"
            name="contact_protection"
            disabled={readOnly}
            className="size-4 flex-none translate-y-0.5 accent-act"
            checked={(chosen || "plain") === kind}
            onChange={() => facts.choose({ contact_protection: kind })}
          />
          <span>
            <span className="block font-medium">{t(`protection.${kind}.name`)}</span>
            <span className="block text-xs text-soft">{t(`protection.${kind}.does`)}</span>
          </span>
        </label>
      ))}
    </div>
  );
}
