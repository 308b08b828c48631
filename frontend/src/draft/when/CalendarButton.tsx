import { CalendarDays } from "lucide-react";
import { Popover } from "radix-ui";
import { useTranslation } from "../../i18n/useTranslation";
import { later } from "../../ui/later";
import type { MonthProps } from "./Month";

const Month = later(async () => (await import("./Month")).Month);

interface Props extends MonthProps {
  isOpen: boolean;
  onOpen: (open: boolean) => void;
}

/** Opens a month to pick a day from; it is fetched when it is first opened. */
export function CalendarButton({ day, way, isOpen, onOpen, onPick }: Props) {
  const { t } = useTranslation();
  return (
    <Popover.Root open={isOpen} onOpenChange={onOpen}>
      <Popover.Trigger
        aria-label={t("when.calendar")}
        title={t("when.calendar")}
        className="grid w-8 place-items-center rounded-sm text-soft hover:text-ink"
      >
        <CalendarDays size={15} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          aria-label={t("when.calendar")}
          className="z-50 rounded-lg border border-line bg-paper p-3 text-ink shadow-lg"
        >
          <Month
            day={day}
            way={way}
            onPick={(picked) => {
              onPick(picked);
              onOpen(false);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
