import { later } from "../ui/later";

/** Fetched when it is opened. */
export const ConsistencyView = later(async () => (await import("./ConsistencyView")).ConsistencyView);
