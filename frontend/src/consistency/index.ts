import { later } from "../ui/later";

/** Fetched when it is opened. */
export const OtherPages = later(async () => (await import("./OtherPages")).OtherPages);
export const ConsistencyView = later(async () => (await import("./ConsistencyView")).ConsistencyView);
export const StrayNews = later(async () => (await import("./StrayNews")).StrayNews);
