import { themeOf, type DrawingProps } from "./drawing";
import { HighlightedText } from "./HighlightedText";
import { lineOf, pictureOf } from "./model";

/** Whether the logo takes a line of the header for itself. */
const hasBanner = (proof: DrawingProps["proof"]) => proof.arrangement.split(" ").includes("has-banner");

/** How much smaller than on a page a header is drawn in a row. */
const SMALL = 0.5;

function Emblem({ proof, variant, iconUrl, large, fact, themes }: DrawingProps) {
  const dark = variant === "dark";
  const logo =
    (dark && pictureOf(proof, "logo_dark")) ||
    (variant === "phone" && pictureOf(proof, "logo_phone")) ||
    pictureOf(proof, "logo");
  const scale = large ? 1 : SMALL;
  if (!logo && !pictureOf(proof, "icon")) return null;
  if (!logo) {
    const lit = fact === "icon" ? "outline-2 outline-mark" : "";
    return (
      <img
        src={pictureOf(proof, "icon")?.src ?? iconUrl}
        alt=""
        width={48 * scale}
        height={48 * scale}
        className={`flex-none ${lit}`}
      />
    );
  }
  const plated = proof.plates === "both" || proof.plates === (dark ? "dark" : "light");
  const plate = plated
    ? {
        background: themes[dark ? "dark" : "light"]?.plate,
        padding: `${9 * scale}px ${12 * scale}px`,
        borderRadius: 10 * scale,
      }
    : {};
  return (
    <img
      src={logo.src}
      alt={logo.alt}
      style={{ width: logo.width * scale, boxSizing: hasBanner(proof) ? "border-box" : "content-box", ...plate }}
      className={`h-auto flex-none ${hasBanner(proof) ? "max-w-full" : "max-w-[62%]"} ${fact.startsWith("logo") ? "outline-2 outline-offset-2 outline-mark" : ""}`}
    />
  );
}

interface EntriesProps {
  proof: DrawingProps["proof"];
  arranged: string;
  large: boolean;
  narrow: boolean;
}

/** How the header's parts stand to each other; a folded menu is a button on narrow windows. */
function Entries({ proof, arranged, large, narrow }: EntriesProps) {
  const entries = proof.lines.filter((line) => line.role === "entry");
  const folded = lineOf(proof, "folded").text;
  if (!entries.length) return null;
  // Beside the name there is room for few; the real page has all of them.
  const most = arranged === "is-line" && !narrow ? 2 : 4;
  const size = large ? "text-base gap-x-4" : "text-[8.5px] gap-x-1.5";
  if (folded && narrow)
    return (
      <span dir="auto" className={`w-fit rounded-sm border border-current px-1.5 opacity-80 ${size}`}>
        {folded}
      </span>
    );
  return (
    <span className={`flex min-w-0 flex-wrap ${size} ${arranged === "is-centred" ? "justify-center" : ""}`}>
      {entries.slice(0, large ? undefined : most).map((entry, index) => (
        <span key={index} dir="auto" className="max-w-full truncate">
          {entry.text}
        </span>
      ))}
    </span>
  );
}

const PLACED: Record<string, string> = {
  "is-line": "flex items-center justify-between",
  "is-centred": "flex flex-col items-center text-center",
};

/** A page's header, on a desktop or as narrow as a phone shows it. */
export function HeaderDrawing(props: DrawingProps) {
  const { proof, fact, variant, themes, large } = props;
  // Below the name: the tagline, and what else the header says of facts.
  const below = proof.lines.filter(({ role, text }) => text && (role === "tagline" || role === "fact"));
  const name = lineOf(proof, "name");
  const theme = themeOf({ fact, variant });
  const tones = themes[theme ?? "light"];
  const looks = theme && tones ? { background: tones.ground, color: tones.ink } : {};
  const soft = theme && tones ? { color: tones.soft } : {};
  const phone = variant === "phone";
  const arranged = proof.arrangement.split(" ").find((one) => one.startsWith("is-")) ?? "";
  const width = large ? (phone ? "w-[390px] max-w-full" : "w-full") : phone ? "w-[150px]" : "w-[196px]";
  return (
    <div className={`proof overflow-hidden ${width}`} style={looks}>
      <div className={large ? "h-2" : "h-1"} style={{ background: theme && tones ? tones.band : proof.colour }} />
      <div
        dir="auto"
        className={`${PLACED[arranged] ?? "flex flex-col"} ${phone && arranged === "is-line" ? "flex-wrap" : ""} ${large ? "gap-3 p-6" : "min-h-[50px] gap-1.5 px-2.5 py-2"}`}
      >
        <div
          className={`flex min-w-0 items-center ${arranged === "is-centred" ? "flex-col" : ""} ${hasBanner(proof) ? "flex-wrap" : ""} ${large ? "gap-4" : "gap-2"}`}
        >
          <Emblem {...props} />
          <div className="min-w-0">
            {name.text && (
              <b
                className={`block font-display font-semibold ${large ? "text-2xl break-words" : "truncate py-px text-xs"}`}
              >
                <HighlightedText line={name} fact={fact} />
              </b>
            )}
            {below.map((line, index) => (
              <span
                key={index}
                style={soft}
                className={`block ${theme ? "" : "text-soft"} ${large ? "text-base break-words" : "truncate py-px text-[9.5px]"}`}
              >
                <HighlightedText line={line} fact={fact} />
              </span>
            ))}
          </div>
        </div>
        <Entries proof={proof} arranged={arranged} large={large} narrow={phone} />
      </div>
      {phone && (
        <div aria-hidden className={`grid gap-1.5 px-2.5 ${large ? "pb-8" : "pb-3"}`}>
          <i className="h-1 w-2/3 rounded bg-current opacity-15" />
          <i className="h-1 w-1/2 rounded bg-current opacity-15" />
        </div>
      )}
    </div>
  );
}
