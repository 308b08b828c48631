import { later } from "../ui/later";

export { usePages } from "./api";
/** Fetched when it is opened: the sheet is what one comes for. */
export const PagesView = later(async () => (await import("./PagesView")).PagesView);
