export { ArrangementField, FoldField, HeaderPartsField, LongField, TrailField, WidthField } from "./ChoiceFields";
export { CodeField } from "./CodeField";
export { CookieField, NoticeField } from "./NoticeFields";
export { SideField } from "./SideField";
