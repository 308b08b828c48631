export { ChoiceField, HeaderPartsField, TrailField } from "./ChoiceFields";
export { CodeField } from "./CodeField";
export { CookieField, NoticeField } from "./NoticeFields";
export { SideField } from "./SideField";
