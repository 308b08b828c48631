import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Choices } from "../ui/Choices";

const KINDS = ["plain", "woven", "hidden"] as const;

/** How the address is written into pages, chosen by what it does for people and what it stops. */
export function ProtectionField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const chosen = useFact("contact_protection");
  return (
    <Choices
      field="contact_protection"
      choices={KINDS.map((value) => ({
        value,
        name: t(`protection.${value}.name`),
        does: t(`protection.${value}.does`),
      }))}
      chosen={KINDS.find((kind) => kind === chosen) ?? "plain"}
      readOnly={readOnly}
      onChoose={(contact_protection) => facts.choose({ contact_protection })}
    />
  );
}
