import { later } from "../ui/later";

export const DeletedSites = later(async () => (await import("./DeletedSites")).DeletedSites);
export const StandingView = later(async () => (await import("./StandingView")).StandingView);
