export { useEditions } from "./api";
export { EditionsView } from "./EditionsView";
