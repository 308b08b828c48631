import { useMutation, useQuery } from "@tanstack/react-query";
import { api, result } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { AuthLayout } from "../ui/AuthLayout";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";

/** What a link asks: notices of a site, or signing in with another address. */
type Kind = "notices" | "account-address";
type Asked = Record<string, string>;

const WORDS = { notices: "confirm", "account-address": "confirmAddress" } as const;

function call(kind: Kind, step: "asked" | "confirm", token: string): Promise<Asked> {
  return result<Asked>(api.POST(`/api/${kind}/${step}`, { body: { token } }));
}

/** What a link to confirm an address leads to. Only the button agrees: programs that look at mail follow links, too. */
export function ConfirmAddress({ kind, token }: { kind: Kind; token: string }) {
  const { t } = useTranslation();
  const words = WORDS[kind];
  const asked = useQuery({
    queryKey: ["asked", kind, token],
    queryFn: () => call(kind, "asked", token),
    retry: false,
  });
  const confirm = useMutation({ mutationFn: () => call(kind, "confirm", token) });
  if (confirm.isSuccess)
    return <AuthLayout title={t(`${words}.done`)} lead={t(`${words}.doneLead`, { ...confirm.data })} />;
  return (
    <AuthLayout
      title={t(asked.isError ? `${words}.spent` : `${words}.title`)}
      lead={asked.data ? t(`${words}.lead`, { ...asked.data }) : ""}
    >
      {/* A link that is worth nothing is worth nothing the next time, either; a lost connection may come back. */}
      {asked.error instanceof ApiProblem && <ErrorNotice error={asked.error} />}
      {!(asked.error instanceof ApiProblem) && (
        <QueryBoundary query={asked}>
          {() => (
            <div className="grid gap-4">
              <ErrorNotice error={confirm.error} />
              <Button disabled={confirm.isPending} onClick={() => confirm.mutate()}>
                {t(`${words}.go`)}
              </Button>
              <p className="text-soft">{t("confirm.no")}</p>
            </div>
          )}
        </QueryBoundary>
      )}
    </AuthLayout>
  );
}
