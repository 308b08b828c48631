interface Props {
  width: number;
  cut: number;
  tabWidth: number;
  tabCut: number;
  said: string;
}

/** How much of the line of a search result a title takes; what is past its end is cut. The tick: where a tab ends. */
export function WidthBar({ width, cut, tabWidth, tabCut, said }: Props) {
  const share = Math.min(1, width / cut);
  const tab = (tabCut / tabWidth) * share;
  return (
    <span className="mt-1 flex items-center gap-2">
      <span aria-hidden className="relative h-1 max-w-44 flex-1 rounded-full bg-board">
        <i
          className={`absolute inset-y-0 start-0 rounded-full ${width > cut ? "bg-warn" : "bg-act"}`}
          style={{ inlineSize: `${String(share * 100)}%` }}
        />
        {tab < 1 && (
          <i className="absolute -inset-y-0.5 w-px bg-ink" style={{ insetInlineStart: `${String(tab * 100)}%` }} />
        )}
      </span>
      <span className={`text-[11px] tabular-nums ${width > cut ? "text-warn" : "text-soft"}`}>{said}</span>
    </span>
  );
}
