import { parseDate, type CalendarDate } from "@internationalized/date";
import { ChevronLeft, ChevronRight } from "lucide-react";
import {
  Button,
  Calendar,
  CalendarCell,
  CalendarGrid,
  CalendarGridBody,
  CalendarGridHeader,
  CalendarHeaderCell,
  Heading,
  I18nProvider,
} from "react-aria-components";
import type { Weekday } from "../../i18n/format";
import { useFact } from "../hooks";
import type { Way } from "./shown";

const STEP = "grid size-8 place-items-center rounded-md text-soft hover:bg-ground hover:text-ink";
const CELL =
  "grid size-8 cursor-default place-items-center rounded-md outline-none hover:bg-ground focus-visible:outline-2 focus-visible:outline-act data-outside-month:invisible data-selected:bg-act data-selected:text-on-act";

export interface MonthProps {
  /** ISO 8601, or empty. */
  day: string;
  way: Way;
  onPick: (day: string) => void;
}

/** A month to pick a day from by mouse or arrow keys, with weeks as the site begins them. */
export function Month({ day, way, onPick }: MonthProps) {
  const first = useFact("first_weekday");
  const pick = (chosen: CalendarDate) => onPick(chosen.toString());
  return (
    <I18nProvider locale={way.locale}>
      <Calendar
        autoFocus
        defaultValue={day ? parseDate(day) : null}
        onChange={pick}
        {...(first ? { firstDayOfWeek: first as Weekday } : {})}
      >
        <div className="mb-1 flex items-center justify-between">
          <Button slot="previous" className={STEP}>
            <ChevronLeft size={16} aria-hidden className="rtl:-scale-x-100" />
          </Button>
          <Heading className="text-[13px] font-semibold" />
          <Button slot="next" className={STEP}>
            <ChevronRight size={16} aria-hidden className="rtl:-scale-x-100" />
          </Button>
        </div>
        {/* Arabic has no names of days that are shorter than whole words but for letters. */}
        <CalendarGrid className="text-[13px]" weekdayStyle={way.locale.startsWith("ar") ? "narrow" : "short"}>
          <CalendarGridHeader>
            {(name) => <CalendarHeaderCell className="size-8 text-xs font-normal text-soft">{name}</CalendarHeaderCell>}
          </CalendarGridHeader>
          <CalendarGridBody>{(date) => <CalendarCell date={date} className={CELL} />}</CalendarGridBody>
        </CalendarGrid>
      </Calendar>
    </I18nProvider>
  );
}
