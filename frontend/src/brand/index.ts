import { later } from "../ui/later";

export { BrandReportProvider } from "./BrandReport";
export { ColourField } from "./ColourField";
export const IconField = later(async () => (await import("./IconField")).IconField);
export const LogoField = later(async () => (await import("./LogoField")).LogoField);
export const ShareField = later(async () => (await import("./ShareField")).ShareField);
export const TypefacesField = later(async () => (await import("./TypefacesField")).TypefacesField);
