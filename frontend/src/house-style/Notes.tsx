import { useTranslation } from "react-i18next";
import { fixOf } from "./fixes";
import { isChanged, shownValue, tidy, type Key } from "./keeper";
import { useKeeper } from "./KeeperProvider";
import { useValueWords } from "./valueWords";

function KeptSign({ fact }: { fact: Key }) {
  const { t } = useTranslation();
  const { state } = useKeeper();
  const sign = state.signs[fact];
  const tone = sign === "offline" || sign === "signedOut" || sign === "refused" ? "text-stop" : sign === "kept" ? "text-act" : "";
  return (
    <span role="status" className={tone}>
      {sign ? t(`sign.${sign}`) : ""}
    </span>
  );
}

function Refusals({ fact }: { fact: Key }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const text = shownValue(state, fact);
  const spots = state.errors[fact] ?? [];
  return (
    <div id={`wrong-${fact}`} role="alert" className="mt-1.5 grid gap-1.5 text-stop empty:hidden">
      {spots.map((spot, index) => {
        const fix = fixOf(text, spot);
        const fixed = fix?.fixed;
        return (
          <p key={index}>
            {spot.message}{" "}
            {fixed != null && (
              <button type="button" className="act-link" onClick={() => keeper.type(fact, fixed)}>
                {spot.fix?.trim() ? t("fix.write", { fix: spot.fix }) : t("fix.takeOut")}
              </button>
            )}
          </p>
        );
      })}
    </div>
  );
}

function LiveValue({ fact, readOnly }: { fact: Key; readOnly: boolean }) {
  const { t } = useTranslation();
  const { keeper, state } = useKeeper();
  const live = state.style.live_facts;
  const inWords = useValueWords();
  if (!live || !isChanged(state, fact)) return null;
  const words = inWords(fact, live[fact]);
  return (
    <>
      <span className="min-w-0">
        {t("sheet.liveNow")}{" "}
        <b dir="auto" className="font-semibold break-words text-ink">
          {words || t("sheet.nothing")}
        </b>
      </span>
      {!readOnly && (
        <button
          type="button"
          className="act-link"
          aria-label={t("sheet.putBackFact", { fact: t(`fact.${fact}.name`) })}
          onClick={() => keeper.putBack(fact)}
        >
          {t("sheet.putBack")}
        </button>
      )}
    </>
  );
}

interface Props {
  fact: Key;
  /** Says which fact the notes are about, where the row is about several. */
  named?: boolean;
  readOnly: boolean;
  shortName: string | undefined;
}

/** What stands below a value: whether it is kept, how long it is, what is live, what is wrong. */
export function Notes({ fact, named = false, readOnly, shortName }: Props) {
  const { t } = useTranslation();
  const { state } = useKeeper();
  const limit = state.style.limits[fact];
  const length = limit === undefined ? 0 : [...tidy(shownValue(state, fact))].length;
  const quiet = named && !isChanged(state, fact) && !state.signs[fact] && !state.errors[fact]?.length;
  if (quiet) return null;
  const derived = fact === "short_name" && length === 0 && shortName;
  return (
    <>
      <Refusals fact={fact} />
      <div className="mt-1.5 flex flex-wrap items-baseline gap-x-3.5 gap-y-0.5 text-xs text-soft empty:hidden">
        {limit !== undefined && (
          <span className={length > limit ? "text-stop" : ""}>
            {length > limit ? t("sheet.tooMany", { count: length, limit }) : t("sheet.characters", { count: length })}
          </span>
        )}
        {derived && <span>{t("sheet.derived", { shortName })}</span>}
        {named && <b className="font-semibold text-ink">{t(`fact.${fact}.name`)}</b>}
        <LiveValue fact={fact} readOnly={readOnly} />
        <KeptSign fact={fact} />
      </div>
    </>
  );
}
