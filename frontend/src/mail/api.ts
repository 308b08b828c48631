import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";

export type Message = Schemas["MessageOut"];
export type WholeMessage = Schemas["WholeMessageOut"];
export type Tray = Schemas["TrayOut"];
export type Inbox = Schemas["InboxOut"];
export type Enquiry = Schemas["EnquiryOut"];
export type Kind = Schemas["KindOut"];
export type Shown = "open" | "done" | "suspect";
export type Theme = "light" | "dark";

// Somebody may write at any moment.
const OFTEN = 15_000;

export function useInbox(site: string, q: string, shown: Shown) {
  return useInfiniteQuery({
    queryKey: ["inbox", site, q, shown],
    queryFn: ({ pageParam: before }) =>
      result<Inbox>(
        api.GET("/api/sites/{site}/enquiries", { params: { path: { site }, query: { q, shown, before } } }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last: Inbox) => (last.more ? last.enquiries.at(-1)?.id : undefined),
    refetchInterval: OFTEN,
  });
}

function useEnquiryChange<G>(site: string, call: (given: G) => Promise<unknown>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSettled: async () => {
      await queries.invalidateQueries({ queryKey: ["inbox", site] });
      await queries.invalidateQueries({ queryKey: ["sites"] });
      await queries.invalidateQueries({ queryKey: ["mail", site] });
    },
  });
}

const one = (site: string, enquiry: number) => ({ params: { path: { site, enquiry } } });

export function useMark(site: string) {
  return useEnquiryChange(site, ({ id, ...body }: { id: number; done?: boolean; suspect?: boolean }) =>
    result<Enquiry>(api.PATCH("/api/sites/{site}/enquiries/{enquiry}", { ...one(site, id), body })),
  );
}

export function useDeleteEnquiry(site: string) {
  return useEnquiryChange(site, (id: number) =>
    result<undefined>(api.DELETE("/api/sites/{site}/enquiries/{enquiry}", one(site, id))),
  );
}

export function useTray(site: string, q: string, failed: boolean) {
  return useInfiniteQuery({
    queryKey: ["mail", site, q, failed],
    queryFn: ({ pageParam: before }) =>
      result<Tray>(
        api.GET("/api/sites/{site}/mail", {
          params: { path: { site }, query: { q, before, ...(failed ? { state: "failed" as const } : {}) } },
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (last: Tray) => (last.more ? last.messages.at(-1)?.id : undefined),
    refetchInterval: OFTEN,
  });
}

export function useMessage(site: string, message: number) {
  return useQuery({
    queryKey: ["mail", site, "one", message],
    queryFn: () =>
      result<WholeMessage>(api.GET("/api/sites/{site}/mail/{message}", { params: { path: { site, message } } })),
  });
}

export function useSendAgain(site: string) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: (message: number) =>
      result<Message>(api.POST("/api/sites/{site}/mail/{message}/again", { params: { path: { site, message } } })),
    onSettled: () => queries.invalidateQueries({ queryKey: ["mail", site] }),
  });
}

/** The messages that the site sends, in the words of the draft as it was saved last. */
export function useKinds(site: string, revision: number) {
  return useQuery({
    queryKey: ["kinds", site, revision],
    queryFn: () => result<Kind[]>(api.GET("/api/sites/{site}/mail/kinds", { params: { path: { site } } })),
    placeholderData: (before) => before,
  });
}

export function messageUrl(site: string, message: string, theme: Theme): string {
  return `/api/sites/${site}/mail/${message}/html?theme=${theme}`;
}
