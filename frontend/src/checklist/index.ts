import { later } from "../ui/later";

export { ChecklistLink, useChecklistItems } from "./ChecklistLink";
export const ChecklistView = later(async () => (await import("./ChecklistView")).ChecklistView);
export { spotOf } from "./spot";
export type { ChecklistItem } from "./api";
