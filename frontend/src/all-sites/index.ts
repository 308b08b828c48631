import { later } from "../ui/later";

/** Fetched when it is opened: most people have one site. */
export const AllSitesView = later(async () => (await import("./AllSitesView")).AllSitesView);
