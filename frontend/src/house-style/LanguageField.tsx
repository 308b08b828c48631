import { useState } from "react";
import { useFact, useFactActions } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useLanguages } from "../sites";
import { Combobox } from "../ui/Combobox";
import { useSettled } from "../ui/useSettled";

interface Props {
  readOnly: boolean;
}

export function LanguageField({ readOnly }: Props) {
  const { t, i18n } = useTranslation();
  const facts = useFactActions();
  const tag = useFact("language");
  const [typed, setTyped] = useState("");
  const found = useLanguages(useSettled(typed, 120));
  const spoken = useLanguages(tag).data?.find((one) => one.tag === tag);
  const name = new Intl.DisplayNames(i18n.language, { type: "language" }).of(tag) ?? tag;
  return (
    <>
      <p className="mb-2 text-base font-medium">
        {name} <span className="font-code text-xs text-soft">{tag}</span>
      </p>
      {spoken?.own_words === false && <p className="mb-2 text-warn">{t("languageField.noWords", { name })}</p>}
      {!readOnly && (
        <Combobox
          label={t("languageField.other")}
          hideLabel
          hint={t("languageField.hint")}
          typed={typed}
          options={(found.data ?? []).map((one) => ({
            key: one.tag,
            title: one.own_name,
            more: `${one.name} · ${one.tag}`,
            value: one,
          }))}
          onType={setTyped}
          onChoose={(one) => {
            facts.choose({ language: one.tag });
            setTyped("");
          }}
        />
      )}
    </>
  );
}
