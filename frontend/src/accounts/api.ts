import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, result, type Account, type Schemas, type Session } from "../api/client";
import { ApiProblem, type FieldError } from "../api/problem";

export const SESSION = ["session"];

export function useSession() {
  return useQuery({ queryKey: SESSION, queryFn: () => result<Session>(api.GET("/api/session")), staleTime: 60_000 });
}

function useSessionChange<Input>(call: (input: Input) => Promise<Session>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (session) => {
      // What one person saw is not for the next.
      queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== SESSION[0] });
      queries.setQueryData(SESSION, session);
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

/** What a refusal says of one field. */
export function errorsOf(error: unknown, field: string): FieldError[] {
  return error instanceof ApiProblem ? error.of(field) : [];
}

const ACCOUNT = ["account"];

export function useAccount() {
  return useQuery({ queryKey: ACCOUNT, queryFn: () => result<Account>(api.GET("/api/account")) });
}

function useAccountChange<Input>(call: (input: Input) => Promise<Account>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: call,
    onSuccess: (account) => {
      queries.setQueryData(ACCOUNT, account);
      void queries.invalidateQueries({ queryKey: SESSION });
    },
  });
}

export function useChangePassword() {
  return useAccountChange((body: Schemas["PasswordChange"]) =>
    result<Account>(api.POST("/api/account/password", { body })),
  );
}

export function useChangeEmail() {
  return useAccountChange((body: Schemas["EmailChange"]) => result<Account>(api.POST("/api/account/email", { body })));
}

export function useLeaveEmail() {
  return useAccountChange<undefined>(() => result<Account>(api.DELETE("/api/account/email")));
}

export function useSignOutDevice() {
  return useAccountChange((device: number) =>
    result<Account>(api.DELETE("/api/account/devices/{device}", { params: { path: { device } } })),
  );
}

export function useReplacePassword() {
  return useMutation({
    mutationFn: (body: Schemas["NewPassword"]) => result(api.POST("/api/new-password", { body })),
  });
}

/** How the installation is; read again while it is looked at, as jobs end by themselves. */
export function useWellBeing() {
  return useQuery({
    queryKey: ["well-being"],
    queryFn: () => result<Schemas["WellBeing"]>(api.GET("/api/well-being")),
    refetchInterval: 5_000,
  });
}

export function useMakeCopy() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: () => result<undefined>(api.POST("/api/well-being/copies")),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["well-being"] }),
  });
}
