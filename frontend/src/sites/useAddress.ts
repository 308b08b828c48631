import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Address = Schemas["SiteAddressOut"];
export type AddressChange = Schemas["SiteAddressChange"];

export function useAddress(site: string) {
  return useQuery({
    queryKey: ["address", site],
    queryFn: () => result<Address>(api.GET("/api/sites/{site}/address", { params: { path: { site } } })),
  });
}

/** A site has another address at once: all that names its sites is read anew. */
export function useSetAddress(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (body: AddressChange) =>
      result<Address>(api.PATCH("/api/sites/{site}/address", { params: { path: { site } }, body })),
    onSuccess: (address) => {
      queries.setQueryData(["address", address.slug], address);
    },
  });
}

export function useCheckAddress(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<Address>(api.POST("/api/sites/{site}/address/check", { params: { path: { site } } })),
    onSuccess: (address) => {
      queries.setQueryData(["address", site], address);
      return queries.invalidateQueries({ queryKey: ["sites"] });
    },
  });
}
