import type { DrawingProps } from "./drawing";

/** Links and a button as a page shows them, in light and in dark. */
export function LinksDrawing({ proof, themes, large }: DrawingProps) {
  const [first, second] = proof.lines;
  return (
    <div className={`proof flex overflow-hidden ${large ? "w-full text-lg" : "w-[264px] text-[11px]"}`}>
      {(["light", "dark"] as const).map((name) => {
        const tones = themes[name];
        return (
          <span
            key={name}
            dir="auto"
            className={`grid flex-1 justify-items-start ${large ? "gap-3 p-6" : "gap-1.5 px-3 py-2.5"}`}
            style={{ background: tones?.ground, color: tones?.ink }}
          >
            <span className="max-w-full truncate underline underline-offset-2" style={{ color: tones?.link }}>
              {first?.text}
            </span>
            <span
              className={`max-w-full truncate rounded-md ${large ? "px-4 py-2" : "px-2 py-1"}`}
              style={{ background: tones?.button, color: tones?.button_ink }}
            >
              {second?.text ?? first?.text}
            </span>
          </span>
        );
      })}
    </div>
  );
}
