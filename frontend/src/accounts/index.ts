export { useSession, useSignOut } from "./api";
export { FirstAccount } from "./FirstAccount";
export { SignIn } from "./SignIn";
