import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { createContext, useContext, type ReactNode } from "react";
import { api, given, type Schemas } from "../api/client";
import { shownValue, valueOf, type Key, type KeeperState } from "../sheet/keeper";
import { useSettled } from "../ui/useSettled";

export type Marks = Schemas["MarksOut"];
export type LogoMark = Schemas["LogoMarkOut"];

/** The facts that are measured. Others may be typed meanwhile, and nothing is measured anew. */
const MEASURED: Key[] = ["logo", "logo_dark", "logo_plate", "logo_width", "logo_says_name", "icon", "share_picture", "brand_colour", "accent_colour", "typefaces"];
const Context = createContext<Marks | undefined>(undefined);

/** What the marks depend on: the measured facts as they are here, and the name's beginning, for the starter mark. */
function dependsOn(state: KeeperState): string {
  return JSON.stringify([MEASURED.map((key) => valueOf(state, key)), [...shownValue(state, "name").trim()][0]]);
}

/** Measures the draft's marks, also while they are being chosen, for the rows of the sheet. */
export function MarksProvider({ site, state, children }: { site: string; state: KeeperState; children: ReactNode }) {
  const asked = useSettled(dependsOn(state), 150);
  const facts = Object.fromEntries([...MEASURED, "name" as const].map((key) => [key, valueOf(state, key)]));
  const marks = useQuery({
    queryKey: ["marks", site, asked],
    queryFn: () => given<Marks>(api.POST("/api/sites/{site}/marks", { params: { path: { site } }, body: { facts } })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return <Context value={marks.data}>{children}</Context>;
}

/** The marks as last measured; undefined before the first answer. */
export function useMarks(): Marks | undefined {
  return useContext(Context);
}
