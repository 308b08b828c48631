import { later } from "../ui/later";

/** Fetched when it is opened. */
export const BoardView = later(async () => (await import("./BoardView")).BoardView);
