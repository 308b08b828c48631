/** All that was asked of the server but who is signed in: what is read anew after an act that may alter anything. */
export const BUT_SESSION = { predicate: ({ queryKey }: { queryKey: readonly unknown[] }) => queryKey[0] !== "session" };
