export { AddressField } from "./AddressField";
export { DaysField } from "./DaysField";
export { DefaultNote } from "./DefaultNote";
export { NoticesField } from "./NoticesField";
export { PairsField } from "./PairsField";
export { PartsField } from "./PartsField";
export { PhoneField } from "./PhoneField";
