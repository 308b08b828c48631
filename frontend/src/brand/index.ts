export { BrandReportProvider } from "./BrandReport";
export { ColourField } from "./ColourField";
export { IconField } from "./IconField";
export { LogoField } from "./LogoField";
export { ShareField } from "./ShareField";
export { TypefacesField } from "./TypefacesField";
