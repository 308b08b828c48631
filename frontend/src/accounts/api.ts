import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Schemas, type Session } from "../api/client";

const KEY = ["session"];

export function useSession() {
  return useQuery({ queryKey: KEY, queryFn: () => result<Session>(api.GET("/api/session")), staleTime: 60_000 });
}

function useSessionChange<Input>(call: (input: Input) => Promise<Session>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (session) => {
      // What one person saw is not for the next.
      queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== KEY[0] });
      queries.setQueryData(KEY, session);
    },
  });
}

export function useSignIn() {
  return useSessionChange((body: Schemas["SignIn"]) => result<Session>(api.POST("/api/session", { body })));
}

export function useFirstAccount() {
  return useSessionChange((body: Schemas["NewAccount"]) => result<Session>(api.POST("/api/accounts", { body })));
}

export function useSignOut() {
  return useSessionChange(async () => {
    await result(api.DELETE("/api/session"));
    return result<Session>(api.GET("/api/session"));
  });
}
