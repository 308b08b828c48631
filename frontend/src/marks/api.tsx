import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { createContext, useContext, type ReactNode } from "react";
import { api, given, type Schemas } from "../api/client";
import type { Values } from "../sheet/keeper";
import { useSettled } from "../ui/useSettled";

export type Marks = Schemas["MarksOut"];
export type LogoMark = Schemas["LogoMarkOut"];

/** The facts that a mark is made from; while others are typed, nothing is measured anew. */
const MAKES = ["name", "tagline", "logo", "logo_dark", "logo_plate", "logo_width", "logo_says_name", "icon", "share_picture", "brand_colour", "accent_colour", "typefaces"];
const Context = createContext<Marks | undefined>(undefined);

interface Props {
  site: string;
  typed: Values;
  revision: number;
  children: ReactNode;
}

/** Measures the draft's marks, also while they are being chosen, for the rows of the sheet. */
export function MarksProvider({ site, typed, revision, children }: Props) {
  const chosen = Object.fromEntries(Object.entries(typed).filter(([key]) => MAKES.includes(key)));
  const facts = useSettled(JSON.stringify(chosen), 150);
  const marks = useQuery({
    queryKey: ["marks", site, revision, facts],
    queryFn: () =>
      given<Marks>(
        api.POST("/api/sites/{site}/marks", {
          params: { path: { site } },
          body: { facts: JSON.parse(facts) as Record<string, unknown> },
        }),
      ),
    placeholderData: keepPreviousData,
  });
  return <Context value={marks.data}>{children}</Context>;
}

/** The marks as last measured; undefined before the first answer. */
export function useMarks(): Marks | undefined {
  return useContext(Context);
}
