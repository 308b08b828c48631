import { later } from "../ui/later";

export { ChangeList } from "./ChangeList";
/** Fetched when it is opened: the sheet is what one comes for. */
export const ReviewView = later(async () => (await import("./ReviewView")).ReviewView);
