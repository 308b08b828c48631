import type { ReactNode } from "react";

interface Props {
  field: string;
  /** Its frame and room, as classes. */
  looks: string;
  isChosen: boolean;
  readOnly: boolean;
  onChoose: () => void;
  children: ReactNode;
}

/** One of several, of which one is chosen: a line to click on anywhere. */
export function ChoiceLine({ field, looks, isChosen, readOnly, onChoose, children }: Props) {
  return (
    <label
      className={`flex cursor-pointer items-baseline gap-2.5 has-checked:bg-act-soft has-focus-visible:outline-2 has-focus-visible:outline-act ${looks}`}
    >
      <input
        type="radio"
        name={field}
        disabled={readOnly}
        className="size-4 flex-none translate-y-0.5 accent-act"
        checked={isChosen}
        onChange={onChoose}
      />
      {children}
    </label>
  );
}
