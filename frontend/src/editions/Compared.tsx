import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, result, type Change, type Edition, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { readStyle } from "../draft/api";
import { useSite, useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { ChangeList, MoreChanges, useParts } from "../review";
import { Seen } from "./Seen";
import { ErrorNotice } from "../ui/ErrorNotice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { Select } from "../ui/Select";

/** Brings one fact, or one page, of an edition back into the draft. */
function usePart(site: string, number: number) {
  const queries = useQueryClient();
  const store = useStore();
  return useMutation({
    mutationFn: async (body: Schemas["EditionPartIn"]) => {
      await store.flush();
      const before = store.facts.state.saved;
      const back = await result<Schemas["RestoredOut"]>(
        api.POST("/api/sites/{site}/editions/{number}/restore-part", {
          params: { path: { site, number } },
          headers: { "If-Match": String(store.facts.state.meta.revision) },
          body,
        }),
      );
      store.noted(before, await readStyle(site));
      return back;
    },
    onSettled: () => queries.invalidateQueries(BUT_SESSION),
  });
}

function Back({ change, number }: { change: Change; number: number }) {
  const { t } = useTranslation();
  const part = usePart(useSite().slug, number);
  // What an edition did not have, or what is private, can't come back from it.
  if (change.kind === "page_added") return <span />;
  const wanted = change.kind === "fact" ? { fact: change.key, page: "" } : { fact: "", page: change.key };
  return (
    <span>
      {part.data ? (
        <span role="status" className="text-soft">
          {t("editions.partBack")}
        </span>
      ) : (
        <button
          type="button"
          className="act-link text-start"
          disabled={part.isPending}
          onClick={() => part.mutate(wanted)}
        >
          {t("editions.bringPart", { number })}
          <span className="unseen"> {change.kind === "fact" ? change.name : change.key}</span>
        </button>
      )}
      <ErrorNotice error={part.error} />
    </span>
  );
}

function Changes({ sides }: { sides: readonly [Edition, Edition] }) {
  const { t } = useTranslation();
  const site = useSite();
  const [one, other] = [sides[0].number, sides[1].number];
  const found = useParts(["compared", site.slug, one, other], (window) =>
    result<Schemas["ComparedOut"]>(
      api.GET("/api/sites/{site}/editions/{number}/compared", {
        params: { path: { site: site.slug, number: one }, query: { other, ...window } },
      }),
    ),
  );
  const labels = [t("editions.number", { number: one }), t("editions.number", { number: other })] as const;
  return (
    <QueryBoundary query={found}>
      {({ changes, count }) =>
        changes.length === 0 ? (
          <p className="py-3 text-soft">{t("editions.same")}</p>
        ) : (
          <>
            <ChangeList
              changes={changes}
              tense="after"
              labels={labels}
              aside={(change) => (
                <div className="grid content-start justify-items-start gap-2 max-lg:col-span-full">
                  {site.may.edit.allowed && <Back change={change} number={one} />}
                  <Seen change={change} sides={sides} />
                </div>
              )}
            />
            <MoreChanges count={count - changes.length} onMore={() => void found.fetchNextPage()} />
          </>
        )
      }
    </QueryBoundary>
  );
}

/** What another edition says otherwise than this one; each difference can be brought back by itself. */
export function Compared({ edition, editions }: { edition: Edition; editions: Edition[] }) {
  const { t } = useTranslation();
  const others = editions.filter((one) => one.number !== edition.number);
  const [number, setNumber] = useState<number | null>(null);
  const other = others.find((one) => one.number === number);
  if (others.length === 0) return null;
  return (
    <>
      <div className="mt-1.5">
        <Select
          label={
            <span className="text-soft">
              {t("editions.compare")} <span className="unseen">{edition.number}</span>
            </span>
          }
          value={other ? String(other.number) : ""}
          onChoose={(value) => setNumber(value ? Number(value) : null)}
          options={[
            ["", t("editions.noOther")],
            ...others.map((one): [string, string] => [
              String(one.number),
              [t("editions.number", { number: one.number }), one.label].filter(Boolean).join(" · "),
            ]),
          ]}
        />
      </div>
      {other && (
        <div className="mt-3">
          <Changes sides={[edition, other]} />
        </div>
      )}
    </>
  );
}
