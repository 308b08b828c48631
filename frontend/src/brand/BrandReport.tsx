import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { createContext, useContext, type ReactNode } from "react";
import { api, result, type BrandReport } from "../api/client";
import { VISUAL } from "../draft/facts";
import { useSelect } from "../draft/hooks";
import { useSettled } from "../ui/useSettled";

const Context = createContext<BrandReport | undefined>(undefined);

/** What is measured: the facts from which pictures are drawn, and the name, with which the starter icon begins. */
const MEASURED = [...VISUAL, "name"] as const;

/** Measures the draft's brand, also while it is being chosen, for the rows of the sheet. */
export function BrandReportProvider({ site, children }: { site: string; children: ReactNode }) {
  const given = useSelect(({ facts }) =>
    JSON.stringify(Object.fromEntries(MEASURED.map((key) => [key, facts.value(key)]))),
  );
  const settled = useSettled(given, 150);
  const report = useQuery({
    queryKey: ["brand", site, settled],
    queryFn: () =>
      result<BrandReport>(
        api.POST("/api/sites/{site}/brand", {
          params: { path: { site } },
          body: { facts: JSON.parse(settled) as Record<string, unknown> },
        }),
      ),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });
  return <Context value={report.data}>{children}</Context>;
}

/** The brand as last measured; undefined before the first answer. */
export function useBrandReport(): BrandReport | undefined {
  return useContext(Context);
}
