import type { ReactNode } from "react";

interface Props<T extends string> {
  label: string;
  all: readonly T[];
  chosen: T;
  words: (one: T) => ReactNode;
  onChoose: (one: T) => void;
}

/** One of a few ways to look at something, each a button that stays pressed. */
export function PillChoice<T extends string>({ label, all, chosen, words, onChoose }: Props<T>) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-1">
      {all.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={one === chosen}
          onClick={() => onChoose(one)}
          className="rounded-full px-3 py-1.5 text-soft hover:text-ink aria-pressed:bg-board aria-pressed:text-ink"
        >
          {words(one)}
        </button>
      ))}
    </div>
  );
}
