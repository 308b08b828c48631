export { SheetView } from "./SheetView";
