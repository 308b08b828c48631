import { later } from "../ui/later";

export { SiteAddress } from "./SiteAddressLater";
export { useClock, useCountries, useLanguages, useSites } from "./api";
export { LabelDialog } from "./LabelDialog";
export const NewSite = later(async () => (await import("./NewSite")).NewSite);
export { SiteMark } from "./SiteMark";
export { TownField } from "./TownField";
