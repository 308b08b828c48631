import { later } from "../ui/later";

export { fetchPage, useFoundInTexts, usePageChoices, usePagesLeavingOut, useReadAnew } from "./api";
export { PageSelect } from "./PageSelect";
export { PagesTabs } from "./PagesTabs";
/** Fetched when it is opened: the sheet is what one comes for. */
export const PagesView = later(async () => (await import("./PagesView")).PagesView);
export const PageView = later(async () => (await import("./PageView")).PageView);
