/** The views of a site, in the order of the bar at the top. */
export const VIEWS = ["style", "proofs", "pages", "pictures", "consistency", "mail", "editions"] as const;
