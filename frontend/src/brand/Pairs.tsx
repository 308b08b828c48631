import { useTranslation } from "../i18n/useTranslation";
import { Advice } from "../ui/Advice";
import type { BrandReport } from "../api/client";
import { useBrandReport } from "./BrandReport";
import { ColumnHead } from "../ui/ColumnHead";

type Pair = NonNullable<BrandReport["colours"][string]>[number];
const THEMES = ["light", "dark"] as const;

function Cell({ pair }: { pair: Pair | undefined }) {
  const { t, i18n } = useTranslation();
  if (!pair) return <td />;
  const ratio = new Intl.NumberFormat(i18n.language, { minimumFractionDigits: 1, maximumFractionDigits: 1 });
  const moved = t("pair.moved", { asked: pair.asked, fore: pair.fore });
  return (
    <td className="py-1 pe-2">
      <span className="flex items-center gap-2">
        <span
          aria-hidden
          className="inline-flex h-6 w-9 flex-none items-center justify-center rounded-sm border border-line font-semibold"
          style={{ color: pair.fore, background: pair.back }}
        >
          {pair.is_text ? "Aa" : <i className="h-2.5 w-6 rounded-xs" style={{ background: pair.fore }} />}
        </span>
        <span className="font-code text-[11px]">{ratio.format(pair.ratio)}</span>
        {pair.moved && (
          <span className="flex items-center gap-0.5" title={moved}>
            <i aria-hidden className="size-3.5 rounded-sm border border-line" style={{ background: pair.asked }} />
            <span aria-hidden>→</span>
            <i aria-hidden className="size-3.5 rounded-sm border border-line" style={{ background: pair.fore }} />
            <span className="unseen">{moved}</span>
          </span>
        )}
      </span>
    </td>
  );
}

function Table({ colours }: { colours: BrandReport["colours"] }) {
  const { t } = useTranslation();
  const dark = new Map((colours.dark ?? []).map((pair) => [pair.name, pair]));
  return (
    <table className="mt-1.5 w-full border-collapse text-xs">
      <thead className="text-[11px] text-soft">
        <tr>
          <ColumnHead>{t("pair.what")}</ColumnHead>
          {THEMES.map((theme) => (
            <ColumnHead key={theme}>{t(`theme.${theme}`)}</ColumnHead>
          ))}
        </tr>
      </thead>
      <tbody>
        {(colours.light ?? []).map((pair) => (
          <tr key={pair.name} className="border-t border-line">
            <th scope="row" className="pe-2 text-start font-normal">
              {t(`pair.${pair.name}`)}
            </th>
            <Cell pair={pair} />
            <Cell pair={dark.get(pair.name)} />
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Which colours meet on pages, whether each pair can be read, and which tones had to give way. */
export function Pairs() {
  const { t } = useTranslation();
  const colours = useBrandReport()?.colours;
  if (!colours) return null;
  const moved = THEMES.flatMap((theme) => colours[theme] ?? []).filter((pair) => pair.moved);
  return (
    <div className="mt-2">
      <Advice good>{t("pair.all")}</Advice>
      {moved.length > 0 && <p className="text-xs text-soft">{t("pair.some", { count: moved.length })}</p>}
      <details className="mt-1">
        <summary className="act-link">{t("pair.see")}</summary>
        <Table colours={colours} />
      </details>
    </div>
  );
}
