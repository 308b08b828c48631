import { useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { useStore } from "./hooks";

/** Notes what the server did to the whole draft, by its deed, as one step that can be undone; nothing without one. */
export function useDeed(site: string) {
  const queries = useQueryClient();
  const store = useStore();
  return (first: number | null | undefined) => {
    if (!first) return;
    let deed = first;
    const turn = async () => {
      const params = { path: { site, deed } };
      deed = (await result<Schemas["DeedOut"]>(api.POST("/api/sites/{site}/deeds/{deed}/take-back", { params }))).deed;
      await queries.invalidateQueries(BUT_SESSION);
    };
    store.did({ undo: turn, redo: turn });
  };
}
