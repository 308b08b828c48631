export { EditionsView } from "./EditionsView";
