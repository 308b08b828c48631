import { later } from "../ui/later";

export { useSession, useSignOut } from "./api";
export const AccountView = later(async () => (await import("./AccountView")).AccountView);
export const ConfirmAddress = later(async () => (await import("./ConfirmAddress")).ConfirmAddress);
export const FirstAccount = later(async () => (await import("./FirstAccount")).FirstAccount);
export const NewPassword = later(async () => (await import("./NewPassword")).NewPassword);
export { SignIn } from "./SignIn";
export { useOwnLanguage } from "./useOwnLanguage";
export const WellBeingView = later(async () => (await import("./WellBeingView")).WellBeingView);
