import { later } from "../ui/later";

export { useEditions } from "./api";
/** Fetched when it is opened: the sheet is what one comes for. */
export const EditionsView = later(async () => (await import("./EditionsView")).EditionsView);
