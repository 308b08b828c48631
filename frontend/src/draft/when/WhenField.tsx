import { useId, useState, type KeyboardEvent } from "react";
import { useTranslation } from "../../i18n/useTranslation";
import { CalendarButton } from "./CalendarButton";
import { useFact } from "../hooks";
import { shown, wayOf, type Wanted } from "./shown";
import { useTyped, type Typed } from "./useTyped";

const WIDTHS: Record<Wanted, string> = { day: "w-52", time: "w-24", moment: "w-72" };

function ignore(): void {
  // Most who use the field save whatever is understood.
}

interface Props {
  wanted: Wanted;
  /** A day, a time, or a day and a time on the site's clock (ISO 8601); empty for none. */
  value: string;
  onChoose: (value: string) => void;
  id?: string | undefined;
  label?: string | undefined;
  /** The id of what explains it. */
  describedBy?: string | undefined;
  required?: boolean | undefined;
  disabled?: boolean | undefined;
  autoFocus?: boolean | undefined;
  /** Told whether a text stands there that is not understood, or not yet: what takes the value waits for it. */
  onTyping?: (isTyping: boolean) => void;
}

/** What was understood lies over what stands below, while it is typed; what is wrong stays, and takes its room. */
function Understood({ id, typed }: { id: string; typed: Typed | null }) {
  const wrong = typed?.errors[0]?.message;
  return (
    <span
      id={id}
      role="status"
      dir="auto"
      className={
        wrong
          ? "mt-1 block max-w-72 text-[12.5px] text-stop"
          : "absolute start-0 top-full z-20 mt-1 w-max max-w-72 rounded-md bg-ink px-2 py-1 text-[12.5px] text-paper shadow-sm empty:hidden"
      }
    >
      {typed && (wrong ?? typed.says)}
    </span>
  );
}

/** A day or a time, typed as anybody would say it or picked from a calendar; what is understood is said at once. */
export function WhenField({ wanted, value, onChoose, onTyping = ignore, required = false, ...rest }: Props) {
  const { id, label, describedBy, disabled, autoFocus } = rest;
  const { t, i18n } = useTranslation();
  const own = useId();
  const way = wayOf(i18n.language, useFact("language"), useFact("time_style"));
  const [isOpen, setOpen] = useState(false);
  const field = useTyped(wanted, required, { onChoose, onTyping });
  const isWrong = (field.typed?.errors.length ?? 0) > 0;
  function onKeyDown(event: KeyboardEvent) {
    if (event.key === "Enter" && field.text !== null) {
      event.preventDefault();
      field.leave();
    } else if (event.key === "Escape" && field.text !== null) {
      event.stopPropagation();
      field.forget();
    } else if (event.key === "ArrowDown" && wanted !== "time") {
      event.preventDefault();
      setOpen(true);
    }
  }
  return (
    <span className="relative inline-block max-w-full align-top">
      <span className="relative block">
        <input
          id={id}
          type="text"
          dir="auto"
          autoComplete="off"
          autoFocus={autoFocus}
          aria-label={label}
          aria-describedby={[describedBy, `${own}-says`].filter(Boolean).join(" ")}
          aria-invalid={isWrong}
          aria-required={required}
          disabled={disabled}
          placeholder={t(`when.${wanted}`)}
          value={field.text ?? shown(wanted, value, way)}
          className={`${WIDTHS[wanted]} max-w-full rounded-sm border border-soft bg-paper px-2 py-1 text-ink aria-invalid:border-stop disabled:border-line ${
            wanted === "time" ? "" : "pe-9"
          }`}
          onChange={(event) => field.type(event.target.value)}
          onKeyDown={onKeyDown}
          onBlur={field.leave}
        />
        {wanted !== "time" && !disabled && (
          <span className="absolute inset-y-0 end-0 flex">
            <CalendarButton
              day={value.slice(0, 10)}
              way={way}
              isOpen={isOpen}
              onOpen={setOpen}
              onPick={(day) => {
                field.forget();
                onChoose(wanted === "day" ? day : `${day}T${value.slice(11, 16) || "09:00"}`);
              }}
            />
          </span>
        )}
      </span>
      <Understood id={`${own}-says`} typed={field.text === null ? null : field.typed} />
    </span>
  );
}
