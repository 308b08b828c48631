import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Facts, type Schemas } from "../api/client";

export type Notices = Schemas["NoticesOut"];
export type Details = Schemas["DetailsOut"];
export type ContactState = Schemas["ContactState"];
export type Default = Schemas["DefaultOut"];

const at = (site: string) => ({ params: { path: { site } } });

export function useNotices(site: string) {
  return useQuery({
    queryKey: ["notices", site],
    queryFn: () => result<Notices>(api.GET("/api/sites/{site}/notices", at(site))),
  });
}

export function useAsk(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<Notices>(api.POST("/api/sites/{site}/notices/ask", at(site))),
    onSuccess: async (now) => {
      queries.setQueryData(["notices", site], now);
      await queries.invalidateQueries({ queryKey: ["mail", site] });
    },
  });
}

export function useLeave(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<Notices>(api.POST("/api/sites/{site}/notices/leave", at(site))),
    onSuccess: (now) => queries.setQueryData(["notices", site], now),
  });
}

/** How a number and an address will be shown, and what about them should be asked. */
export function useDetails(site: string, phone: string, address: Facts["postal_address"]) {
  return useQuery({
    queryKey: ["contact details", site, phone, address],
    queryFn: () =>
      result<Details>(
        api.POST("/api/sites/{site}/contact/details", { ...at(site), body: { phone, postal_address: address } }),
      ),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });
}

const contactKey = (site: string) => ["contact pages", site] as const;

export function useContactState(site: string) {
  return useQuery({
    queryKey: contactKey(site),
    queryFn: () => result<ContactState>(api.GET("/api/sites/{site}/contact", at(site))),
  });
}

export function useAddContactPage(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (kind: "contact" | "imprint") =>
      result<ContactState>(api.POST("/api/sites/{site}/contact/pages", { ...at(site), body: { kind } })),
    onSuccess: async (now) => {
      queries.setQueryData(contactKey(site), now);
      await queries.invalidateQueries({ queryKey: ["pages", site] });
    },
  });
}

export function useSiteDefaults(site: string) {
  return useQuery({
    queryKey: ["defaults", site],
    queryFn: () => result<Schemas["SiteDefaultsOut"]>(api.GET("/api/sites/{site}/defaults", at(site))),
  });
}

export function useDefault(key: string) {
  return useQuery({
    queryKey: ["default", key],
    queryFn: () => result<Default>(api.GET("/api/account/defaults/{key}", { params: { path: { key } } })),
    staleTime: 0,
  });
}

function useDefaultChange<G>(call: (given: G) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: async () => {
      await Promise.all(["default", "defaults", "sites"].map((key) => queries.invalidateQueries({ queryKey: [key] })));
    },
  });
}

export function useKeepDefault(key: string) {
  return useDefaultChange((body: { value: unknown; sites: string[] }) =>
    result<Default>(api.PUT("/api/account/defaults/{key}", { params: { path: { key } }, body })),
  );
}

export function useDropDefault(key: string) {
  return useDefaultChange(() =>
    result<undefined>(api.DELETE("/api/account/defaults/{key}", { params: { path: { key } } })),
  );
}
