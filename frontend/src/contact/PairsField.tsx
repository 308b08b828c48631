import { X } from "lucide-react";
import { useFact, useFactActions, useFieldState } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";

const SECOND = { registrations: "value", social: "address" } as const;
const MOST = 12;
type Fact = keyof typeof SECOND;
type Pair = Record<string, string>;

const INPUT =
  "min-w-0 flex-1 rounded-sm border border-soft bg-paper px-2 py-1.5 disabled:border-line aria-invalid:border-stop";

interface PairProps {
  fact: Fact;
  number: number;
  pair: Pair;
  readOnly: boolean;
  onChange: (pair: Pair | null) => void;
}

function PairRow({ fact, number, pair, readOnly, onChange }: PairProps) {
  const { t } = useTranslation();
  const second = SECOND[fact];
  const { errors } = useFieldState("facts", fact);
  const isWrong = (part: string) => errors.some((error) => error.field === `${fact}.${String(number)}.${part}`);
  return (
    <li className="flex flex-wrap items-center gap-1.5">
      {(["label", second] as const).map((part) => (
        <input
          key={part}
          type="text"
          inputMode={part === "address" ? "url" : undefined}
          dir="auto"
          disabled={readOnly}
          aria-label={`${t(`pairs.${fact}.${part}`)} ${String(number + 1)}`}
          aria-invalid={isWrong(part)}
          placeholder={t(`pairs.${fact}.${part}`)}
          value={pair[part] ?? ""}
          className={`${INPUT} ${part === "label" ? "max-w-40" : ""}`}
          onChange={(event) => onChange({ ...pair, [part]: event.target.value })}
        />
      ))}
      {!readOnly && (
        <button
          type="button"
          aria-label={t("pairs.remove", { name: pair.label || t("pairs.unnamed") })}
          className="rounded-sm p-1 text-soft hover:text-ink"
          onClick={() => onChange(null)}
        >
          <X size={15} aria-hidden />
        </button>
      )}
    </li>
  );
}

/** A list of entries, each with the owner's own word for it. */
export function PairsField({ fact, readOnly }: { fact: Fact; readOnly: boolean }) {
  const { t } = useTranslation();
  const facts = useFactActions();
  const pairs = useFact(fact) as readonly Pair[];
  const set = (next: readonly Pair[]) => facts.choose({ [fact]: next }, true);
  return (
    <div data-field={fact} tabIndex={-1} className="outline-none">
      <ul className="mb-1.5 grid gap-1.5">
        {pairs.map((pair, number) => (
          <PairRow
            key={number}
            fact={fact}
            number={number}
            pair={pair}
            readOnly={readOnly}
            onChange={(next) => set(pairs.flatMap((one, at) => (at === number ? (next ? [next] : []) : [one])))}
          />
        ))}
      </ul>
      {readOnly && pairs.length === 0 && <p className="text-soft">{t("address.none")}</p>}
      {!readOnly && pairs.length < MOST && (
        <ActionLink onClick={() => facts.choose({ [fact]: [...pairs, { label: "", [SECOND[fact]]: "" }] })}>
          {t(`pairs.${fact}.add`)}
        </ActionLink>
      )}
    </div>
  );
}
