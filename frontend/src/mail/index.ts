import { later } from "../ui/later";

/** Fetched when it is opened: the sheet is what one comes for. */
export const MailView = later(async () => (await import("./MailView")).MailView);
