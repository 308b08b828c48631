import { useTranslation } from "react-i18next";
import { valueOf } from "../sheet/keeper";
import { useKeeper } from "../sheet/KeeperProvider";
import { Act, Advice } from "./Advice";
import { useMarks, type LogoMark } from "./api";

function Margins({ mark }: { mark: LogoMark }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const logo = valueOf(state, "logo");
  if (!logo) return null;
  if (logo.trim) {
    return (
      <Advice good>
        {t("logo.trimmed")} <Act onClick={() => keeper.choose({ logo: { ...logo, trim: null } })}>{t("logo.untrim")}</Act>
      </Advice>
    );
  }
  if (!mark.trim) return null;
  const [left = 0, top = 0, right = 1, bottom = 1] = mark.trim;
  const share = Math.round((1 - (right - left) * (bottom - top)) * 100);
  return (
    <Advice>
      {t("logo.margins", { share })} <Act onClick={() => keeper.choose({ logo: { ...logo, trim: mark.trim ?? null } })}>{t("logo.trim")}</Act>
    </Advice>
  );
}

function Ground({ ground, mark, onChooseDark }: { ground: "light" | "dark"; mark: LogoMark; onChooseDark: () => void }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const logo = valueOf(state, "logo");
  const dark = valueOf(state, "logo_dark");
  const plate = valueOf(state, "logo_plate");
  if (ground === "dark" && dark) {
    return (
      <Advice good>
        {t("logo.hasDark")} <Act onClick={() => keeper.choose({ logo_dark: null })}>{t("logo.takeDarkAway")}</Act>
      </Advice>
    );
  }
  if (plate === "both" || plate === ground) {
    const rest = plate === "both" ? (ground === "dark" ? "light" : "dark") : "";
    return (
      <Advice good>
        {t(`logo.plate.${ground}`)} <Act onClick={() => keeper.choose({ logo_plate: rest })}>{t("logo.takePlateAway")}</Act>
      </Advice>
    );
  }
  const standing = mark.standing[ground];
  if (!logo || standing === "clear") return null;
  const withPlate = plate ? "both" : ground;
  return (
    <Advice>
      {t(`logo.${standing}.${ground}`)}{" "}
      {ground === "dark" && mark.one_colour && (
        <Act onClick={() => keeper.choose({ logo_dark: { ...logo, recolour: mark.remedies.dark ?? "" } })}>{t("logo.pale")}</Act>
      )}
      {ground === "light" && mark.one_colour && (
        <Act onClick={() => keeper.choose({ logo: { ...logo, recolour: mark.remedies.light ?? "" }, logo_dark: logo })}>{t("logo.deep")}</Act>
      )}
      {ground === "dark" && <Act onClick={onChooseDark}>{t("logo.another")}</Act>}
      <Act onClick={() => keeper.choose({ logo_plate: withPlate })}>{t("logo.onPlate")}</Act>
    </Advice>
  );
}

/** What was measured of the logo: its margins, how it stands on light and dark, whether it is sharp. */
export function LogoAdvice({ onChooseDark }: { onChooseDark: () => void }) {
  const { t } = useTranslation();
  const mark = useMarks()?.logo;
  if (!mark) return null;
  const sharp = mark.sharp_to >= mark.width;
  const kB = (bytes: number) => (bytes / 1000).toFixed(1);
  return (
    <div className="mt-2 grid gap-1" role="status">
      <Margins mark={mark} />
      {(["light", "dark"] as const).map((ground) => (
        <Ground key={ground} ground={ground} mark={mark} onChooseDark={onChooseDark} />
      ))}
      {mark.standing.light === "clear" && <Advice good>{t("logo.clearOnLight")}</Advice>}
      {sharp ? <Advice good>{t("logo.sharp")}</Advice> : <Advice>{t("logo.unsharp", { width: mark.sharp_to })}</Advice>}
      {mark.modern_bytes < mark.fallback_bytes && (
        <p className="text-xs text-soft">
          {t("logo.saved", { modern: kB(mark.modern_bytes), fallback: kB(mark.fallback_bytes), share: Math.round((1 - mark.modern_bytes / mark.fallback_bytes) * 100) })}
        </p>
      )}
    </div>
  );
}
