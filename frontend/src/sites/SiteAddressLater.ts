import { later } from "../ui/later";

/** Folded to a line as a rule, so it is fetched when it is opened. */
export const SiteAddress = later(async () => (await import("./SiteAddress")).SiteAddress);
