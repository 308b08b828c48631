import { later } from "../ui/later";

/** Fetched when it is opened. */
export const Board = later(async () => (await import("./Board")).Board);
export const BoardView = later(async () => (await import("./BoardView")).BoardView);
