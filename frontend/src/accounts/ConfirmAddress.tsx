import { useMutation, useQuery } from "@tanstack/react-query";
import { api, result, type Schemas } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { AuthLayout } from "../ui/AuthLayout";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";

type Asked = Schemas["AskedOut"];

/** What a link to confirm an address leads to. Only the button agrees: programs that look at mail follow links, too. */
export function ConfirmAddress({ token }: { token: string }) {
  const { t } = useTranslation();
  const asked = useQuery({
    queryKey: ["asked", token],
    queryFn: () => result<Asked>(api.POST("/api/notices/asked", { body: { token } })),
    retry: false,
  });
  const confirm = useMutation({
    mutationFn: () => result<Asked>(api.POST("/api/notices/confirm", { body: { token } })),
  });
  if (confirm.isSuccess)
    return <AuthLayout title={t("confirm.done")} lead={t("confirm.doneLead", { ...confirm.data })} />;
  return (
    <AuthLayout
      title={t(asked.isError ? "confirm.spent" : "confirm.title")}
      lead={asked.data ? t("confirm.lead", { ...asked.data }) : ""}
    >
      {/* A link that is worth nothing is worth nothing the next time, either; a lost connection may come back. */}
      {asked.error instanceof ApiProblem && <ErrorNotice error={asked.error} />}
      {!(asked.error instanceof ApiProblem) && (
        <QueryBoundary query={asked}>
          {() => (
            <div className="grid gap-4">
              <ErrorNotice error={confirm.error} />
              <Button disabled={confirm.isPending} onClick={() => confirm.mutate()}>
                {t("confirm.go")}
              </Button>
              <p className="text-soft">{t("confirm.no")}</p>
            </div>
          )}
        </QueryBoundary>
      )}
    </AuthLayout>
  );
}
