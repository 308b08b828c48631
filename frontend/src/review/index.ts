import { later } from "../ui/later";

export { ChangeList, MoreChanges } from "./ChangeList";
export { useParts } from "./useParts";
/** Fetched when it is opened: the sheet is what one comes for. */
export const ReviewView = later(async () => (await import("./ReviewView")).ReviewView);
