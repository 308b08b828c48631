import { later } from "../ui/later";

export { AddressSection } from "./AddressLater";
export { useClock, useCountries, useLanguages, useSites } from "./api";
export { LabelDialog } from "./LabelDialog";
export const NewSite = later(async () => (await import("./NewSite")).NewSite);
export { TownField } from "./TownField";
