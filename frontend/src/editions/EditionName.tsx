import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, result, type Edition } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";

/** What an edition is called, so that it is found again. */
export function EditionName({ edition, site, edits }: { edition: Edition; site: string; edits: boolean }) {
  const { t } = useTranslation();
  const queries = useQueryClient();
  const [typed, setTyped] = useState<string | null>(null);
  const keep = useMutation({
    mutationFn: (label: string) =>
      result<Edition>(
        api.PATCH("/api/sites/{site}/editions/{number}", {
          params: { path: { site, number: edition.number } },
          body: { label },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["editions", site] });
      setTyped(null);
    },
  });
  if (typed === null)
    return (
      <p className="break-words">
        {edition.label && (
          <b className="me-2 font-semibold" dir="auto">
            {edition.label}
          </b>
        )}
        {edits && (
          <ActionLink onClick={() => setTyped(edition.label)}>
            {t(edition.label ? "editions.rename" : "editions.call")}
            <span className="unseen"> {edition.number}</span>
          </ActionLink>
        )}
      </p>
    );
  return (
    <form
      className="mt-1 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep.mutate(typed);
      }}
    >
      <input
        autoFocus
        aria-label={t("editions.name", { number: edition.number })}
        className="min-h-9 min-w-0 flex-1 rounded-md border border-soft bg-paper px-2.5 py-1"
        maxLength={80}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && setTyped(null)}
      />
      <Button type="submit" variant="quiet" disabled={keep.isPending}>
        {t("editions.keepName")}
      </Button>
      <ErrorNotice error={keep.error} />
    </form>
  );
}
