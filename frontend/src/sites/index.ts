export { useClock, useCountries, useLanguages, useSites } from "./api";
export { LabelDialog } from "./LabelDialog";
export { NewSite } from "./NewSite";
export { TownField } from "./TownField";
