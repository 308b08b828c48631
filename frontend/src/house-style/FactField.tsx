import { ColourField, IconField, LogoField, ShareField, TypefacesField } from "../brand";
import { FactText } from "../draft/FactText";
import type { Row } from "../draft/facts";
import { KeywordsField, PatternField } from "../titles";
import { later } from "../ui/later";
import type { DateFact } from "./dates";
import { ProtectionField } from "./ProtectionField";
import { ContactNotes } from "./ContactNotes";

const NoticesField = later(async () => (await import("../contact")).NoticesField);
const PhoneField = later(async () => (await import("../contact")).PhoneField);
const AddressField = later(async () => (await import("../contact")).AddressField);
const PairsField = later(async () => (await import("../contact")).PairsField);
const PartsField = later(async () => (await import("../contact")).PartsField);
const DaysField = later(async () => (await import("../contact")).DaysField);
const HoursField = later(async () => (await import("./HoursField")).HoursField);
const OwnWordsField = later(async () => (await import("./OwnWordsField")).OwnWordsField);
const ChoiceField = later(async () => (await import("../frame")).ChoiceField);
const TrailField = later(async () => (await import("../frame")).TrailField);
const HeaderPartsField = later(async () => (await import("../frame")).HeaderPartsField);
const NoticeField = later(async () => (await import("../frame")).NoticeField);
const SideField = later(async () => (await import("../frame")).SideField);
const CookieField = later(async () => (await import("../frame")).CookieField);
const CodeField = later(async () => (await import("../frame")).CodeField);
const DateFormField = later(async () => (await import("./DateFormField")).DateFormField);
const ClockField = later(async () => (await import("./ClockField")).ClockField);
const LanguageField = later(async () => (await import("./LanguageField")).LanguageField);
const WeekdayField = later(async () => (await import("./WeekdayField")).WeekdayField);
const CalendarField = later(async () => (await import("./CalendarField")).CalendarField);
const SIZES = {
  name: "font-display text-[21px] font-semibold leading-tight",
  line: "text-base font-medium",
  text: "text-[15px]",
};

/** What a fact says, edited in the way that suits it. */
export function FactField({ row, readOnly }: { row: Row; readOnly: boolean }) {
  switch (row.editor) {
    case "line":
      return (
        <>
          <FactText fact={row.key} readOnly={readOnly} className={SIZES[row.size]} />
          {row.key === "contact_email" && <ContactNotes />}
        </>
      );
    case "colour":
      return <ColourField fact={row.key as "brand_colour" | "accent_colour"} readOnly={readOnly} />;
    case "logo":
      return <LogoField readOnly={readOnly} />;
    case "icon":
      return <IconField readOnly={readOnly} />;
    case "share":
      return <ShareField readOnly={readOnly} />;
    case "typefaces":
      return <TypefacesField readOnly={readOnly} />;
    case "language":
      return <LanguageField readOnly={readOnly} />;
    case "clock":
      return <ClockField readOnly={readOnly} />;
    case "date_form":
      return <DateFormField fact={row.key as DateFact} kind="date" readOnly={readOnly} />;
    case "time_form":
      return <DateFormField fact={row.key as DateFact} kind="time" readOnly={readOnly} />;
    case "weekday":
      return <WeekdayField readOnly={readOnly} />;
    case "calendar":
      return <CalendarField readOnly={readOnly} />;
    case "hours":
      return <HoursField readOnly={readOnly} />;
    case "protection":
      return <ProtectionField readOnly={readOnly} />;
    case "notices":
      return <NoticesField readOnly={readOnly} />;
    case "phone":
      return <PhoneField readOnly={readOnly} />;
    case "address":
      return <AddressField readOnly={readOnly} />;
    case "registrations":
    case "social":
      return <PairsField fact={row.editor} readOnly={readOnly} />;
    case "parts":
      return <PartsField readOnly={readOnly} />;
    case "days":
      return <DaysField readOnly={readOnly} />;
    case "own_words":
      return <OwnWordsField readOnly={readOnly} />;
    case "title_pattern":
      return <PatternField fact={row.key as "title_pattern" | "home_title"} readOnly={readOnly} />;
    case "title_long":
      return <ChoiceField fact="title_long" readOnly={readOnly} />;
    case "keywords":
      return <KeywordsField readOnly={readOnly} />;
    case "header_parts":
      return <HeaderPartsField readOnly={readOnly} />;
    case "arrangement":
      return <ChoiceField fact="header_arrangement" readOnly={readOnly} />;
    case "menu_fold":
      return <ChoiceField fact="menu_fold" readOnly={readOnly} />;
    case "content_width":
      return <ChoiceField fact="content_width" readOnly={readOnly} />;
    case "yes_no":
      return <TrailField readOnly={readOnly} />;
    case "site_notice":
      return <NoticeField readOnly={readOnly} />;
    case "side_text":
      return <SideField readOnly={readOnly} />;
    case "cookie_notice":
      return <CookieField readOnly={readOnly} />;
    case "added_code":
      return <CodeField readOnly={readOnly} />;
    default:
      return row.editor satisfies never;
  }
}
