import { createContext, useContext } from "react";

export type Opened = "finder" | "shortcuts";

export const DeskKeysContext = createContext<{ open: (what: Opened) => void } | null>(null);

/** Opens the finder or the list of shortcuts, for buttons. */
export function useDeskKeys(): (what: Opened) => void {
  const context = useContext(DeskKeysContext);
  if (!context) throw new Error("`useDeskKeys` must be used within `DeskKeys`");
  return context.open;
}
