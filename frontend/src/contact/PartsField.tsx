import { CONTACT_PAGE_PARTS, CONTACT_PARTS } from "../api/lists.gen";
import { useFact, useFactActions, useSelect } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ContactPages } from "./ContactPages";
import { ColumnHead } from "../ui/ColumnHead";

const FACT = { address: "postal_address", email: "contact_email", hours: "opening_hours" } as const;
type Part = (typeof CONTACT_PAGE_PARTS)[number];
type Where = "footer" | "page";

function isThere(value: unknown): boolean {
  return Array.isArray(value) ? value.length > 0 : Boolean(value);
}

function inFooter(part: Part): boolean {
  return (CONTACT_PARTS as readonly Part[]).includes(part);
}

/** Which parts are said at all, and may show. */
function useSaid(): ReadonlySet<string> {
  const said = useSelect(({ facts }) =>
    CONTACT_PARTS.filter((part) =>
      isThere(facts.value(part in FACT ? FACT[part as keyof typeof FACT] : (part as "phone"))),
    ),
  );
  return new Set<string>([...said, ...CONTACT_PAGE_PARTS.filter((part) => !inFooter(part))]);
}

/** What shows in the footer of every page, and on the contact page. */
export function PartsField({ readOnly }: { readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const parts = useFact("contact_parts");
  const said = useSaid();
  const set = (where: Where, part: Part, on: boolean) => {
    const kept = parts[where].filter((one) => one !== part);
    facts.choose({ contact_parts: { ...parts, [where]: on ? [...kept, part] : kept } });
  };
  const box = (part: Part, where: Where) => (
    <input
      type="checkbox"
      className="size-4 accent-act"
      disabled={readOnly}
      aria-label={t("parts.in", { part: t(`parts.of.${part}`), where: t(`parts.${where}`) })}
      checked={parts[where].includes(part)}
      onChange={(event) => set(where, part, event.target.checked)}
    />
  );
  return (
    <div data-field="contact_parts" tabIndex={-1} className="outline-none">
      <table className="w-full">
        <thead>
          <tr className="text-xs text-soft">
            <ColumnHead className="pb-1">{t("parts.part")}</ColumnHead>
            <th scope="col" className="pb-1 font-normal">
              {t("parts.footer")}
            </th>
            <th scope="col" className="pb-1 font-normal">
              {t("parts.page")}
            </th>
          </tr>
        </thead>
        <tbody>
          {CONTACT_PAGE_PARTS.map((part) => (
            <tr key={part} className="border-t border-line">
              <th scope="row" className="py-1.5 text-start font-normal">
                {t(`parts.of.${part}`)}
                {!said.has(part) && <span className="block text-xs text-soft">{t("parts.unsaid")}</span>}
              </th>
              <td className="text-center">{inFooter(part) ? box(part, "footer") : null}</td>
              <td className="text-center">{box(part, "page")}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ContactPages readOnly={readOnly} />
    </div>
  );
}
