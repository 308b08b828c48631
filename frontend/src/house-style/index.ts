export { FactRow } from "./FactRow";
export { SheetView } from "./SheetView";
