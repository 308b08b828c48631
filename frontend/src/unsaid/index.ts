import { later } from "../ui/later";

export { ToSayLink } from "./ToSayLink";
export const ToSayView = later(async () => (await import("./ToSayView")).ToSayView);
