export { usePages } from "./api";
export { PagesView } from "./PagesView";
