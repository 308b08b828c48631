export { useSession, useSignOut } from "./api";
export { AccountView } from "./AccountView";
export { ConfirmAddress } from "./ConfirmAddress";
export { FirstAccount } from "./FirstAccount";
export { NewPassword } from "./NewPassword";
export { SignIn } from "./SignIn";
export { useOwnLanguage } from "./useOwnLanguage";
