export { Finder } from "./Finder";
export { Shortcuts } from "./Shortcuts";
