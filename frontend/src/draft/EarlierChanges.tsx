import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { History } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { useState } from "react";
import { api, result, type Schemas } from "../api/client";
import { BUT_SESSION } from "../api/queries";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useSite, useStore } from "./hooks";

type OwnChange = Schemas["OwnChangeOut"];

/** Undoes one of one's own earlier changes, as a step that can be taken back itself. */
function useUndoEarlier(site: string) {
  const queries = useQueryClient();
  const store = useStore();
  const turn = async (number: number) => {
    await store.flush();
    await result<Schemas["UndoneOut"]>(
      api.POST("/api/sites/{site}/own-changes/{number}/undo", { params: { path: { site, number } } }),
    );
    await queries.invalidateQueries(BUT_SESSION);
  };
  return useMutation({
    mutationFn: turn,
    onSuccess: (_, number) => store.did({ undo: () => turn(number), redo: () => turn(number) }),
  });
}

function Words({ change }: { change: OwnChange }) {
  const { t } = useTranslation();
  if (change.is_changed) return <span className="block text-xs text-soft">{t("earlier.changed")}</span>;
  if (!change.before && !change.after) return null;
  return (
    <span className="block text-xs break-words text-soft">
      <span dir="auto">{change.after || t("sheet.nothing")}</span> →{" "}
      <span dir="auto">{change.before || t("sheet.nothing")}</span>
    </span>
  );
}

function List({ changes, onUndo }: { changes: OwnChange[]; onUndo: (number: number) => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (!changes.length) return <p className="px-3 py-2 text-soft">{t("earlier.none")}</p>;
  return changes.map((change) => (
    <Menu.Item
      key={change.id}
      disabled={change.is_changed}
      onSelect={() => onUndo(change.id)}
      className="cursor-pointer rounded-md px-3 py-2 outline-none data-[disabled]:cursor-default data-[highlighted]:bg-board"
    >
      <span className={change.is_changed ? "text-soft" : "font-semibold"}>
        {t("earlier.undo", { what: change.name, at: format.lately(change.at) })}
      </span>
      <Words change={change} />
    </Menu.Item>
  ));
}

/** What one changed oneself, also at another visit or on another machine, each to be undone. */
export function EarlierChanges() {
  const { t } = useTranslation();
  const site = useSite().slug;
  const store = useStore();
  const [isOpen, setOpen] = useState(false);
  const undo = useUndoEarlier(site);
  const listed = useQuery({
    queryKey: ["own changes", site],
    queryFn: async () => {
      // What is being typed is one of them.
      await store.flush();
      return result<OwnChange[]>(api.GET("/api/sites/{site}/own-changes", { params: { path: { site } } }));
    },
    enabled: isOpen,
    staleTime: 0,
  });
  return (
    <>
      <ErrorNotice error={undo.error} />
      <Menu.Root modal={false} open={isOpen} onOpenChange={setOpen}>
        <Menu.Trigger
          aria-label={t("earlier.open")}
          title={t("earlier.open")}
          className="grid size-8 place-items-center rounded-sm text-soft hover:text-ink"
        >
          <History size={16} aria-hidden />
        </Menu.Trigger>
        <Menu.Portal>
          <Menu.Content
            align="end"
            sideOffset={6}
            collisionPadding={8}
            className="z-40 max-h-96 w-[min(26rem,calc(100vw-16px))] overflow-y-auto rounded-lg border border-line bg-paper p-1.5 text-ink shadow-xl"
          >
            <p className="px-3 py-1.5 text-xs text-soft">{t("earlier.title")}</p>
            {listed.isError ? (
              <p className="px-3 py-2 text-stop">{t("state.notFetched")}</p>
            ) : listed.data ? (
              <List changes={listed.data} onUndo={(number) => undo.mutate(number)} />
            ) : (
              <p role="status" className="px-3 py-2 text-soft">
                {t("state.loading")}
              </p>
            )}
          </Menu.Content>
        </Menu.Portal>
      </Menu.Root>
    </>
  );
}
