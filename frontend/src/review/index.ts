export { ChangeList } from "./ChangeList";
export { ReviewView } from "./ReviewView";
