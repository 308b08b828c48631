import { AloudDrawing } from "./AloudDrawing";
import { ArchiveDrawing, CalendarDrawing, EventDrawing, HoursDrawing } from "./ClockDrawings";
import { CardDrawing, ContactDrawing, RecordDrawing } from "./ContactDrawings";
import type { DrawingProps } from "./drawing";
import { CookiesDrawing, NoticeDrawing, SideDrawing } from "./FrameDrawings";
import { LinksDrawing } from "./LinksDrawing";
import { NotFoundDrawing } from "./NotFoundDrawing";
import { PaperDrawing } from "./PaperDrawing";
import { TextDrawing } from "./TextDrawing";

type RarePlace =
  | "notice"
  | "side"
  | "cookies"
  | "event"
  | "calendar"
  | "archive"
  | "hours"
  | "links"
  | "contact"
  | "structured"
  | "card"
  | "paper"
  | "text"
  | "aloud"
  | "not_found";

/** The places that are further down the sheet, or on the board alone. */
export function RareDrawing({ place, ...props }: DrawingProps & { place: RarePlace }) {
  switch (place) {
    case "notice":
      return <NoticeDrawing {...props} />;
    case "side":
      return <SideDrawing {...props} />;
    case "cookies":
      return <CookiesDrawing {...props} />;
    case "event":
      return <EventDrawing {...props} />;
    case "calendar":
      return <CalendarDrawing {...props} />;
    case "archive":
      return <ArchiveDrawing {...props} />;
    case "hours":
      return <HoursDrawing {...props} />;
    case "links":
      return <LinksDrawing {...props} />;
    case "contact":
      return <ContactDrawing {...props} />;
    case "structured":
      return <RecordDrawing {...props} />;
    case "card":
      return <CardDrawing {...props} />;
    case "paper":
      return <PaperDrawing {...props} />;
    case "text":
      return <TextDrawing {...props} />;
    case "aloud":
      return <AloudDrawing {...props} />;
    case "not_found":
      return <NotFoundDrawing {...props} />;
    default:
      return place satisfies never;
  }
}
