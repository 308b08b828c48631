import { CircleUserRound } from "lucide-react";
import { DropdownMenu as Menu } from "radix-ui";
import { Link } from "react-router";
import type { Session, Site } from "../api/client";
import { useSignOut } from "../accounts";
import { useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { useDeskKeys } from "./opened";

interface Props {
  person: NonNullable<Session["account"]>;
  site: Site;
}

export function AccountMenu({ person, site }: Props) {
  const { t } = useTranslation();
  const signOut = useSignOut();
  const store = useStore();
  const open = useDeskKeys();
  async function leave() {
    await store.flush();
    signOut.mutate(undefined);
  }
  return (
    <Menu.Root modal={false}>
      <Menu.Trigger
        aria-label={t("account.open", { name: person.name })}
        className="grid size-9 place-items-center rounded-full text-soft hover:bg-board"
      >
        <CircleUserRound size={20} aria-hidden />
      </Menu.Trigger>
      <Menu.Content
        align="end"
        sideOffset={6}
        className="z-40 w-64 rounded-lg border border-line bg-paper p-1.5 shadow-xl"
      >
        <div className="px-3 py-2">
          <p className="font-semibold">{person.name}</p>
          <p className="font-code text-[11px] break-all text-soft">{person.email}</p>
          <p className="mt-1 text-xs text-soft">{t("account.role", { role: t(`role.${site.role}`) })}</p>
        </div>
        <Menu.Separator className="my-1 h-px bg-line" />
        <Menu.Item asChild className="block rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board">
          <Link to="/your-account">{t("account.title")}</Link>
        </Menu.Item>
        {person.keeps_installation && (
          <Menu.Item asChild className="block rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board">
            <Link to="/well-being">{t("wellBeing.title")}</Link>
          </Menu.Item>
        )}
        <Menu.Item
          className="cursor-pointer rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board sm:hidden"
          onSelect={() => open("finder")}
        >
          {t("finder.title")}
        </Menu.Item>
        <Menu.Item
          className="flex cursor-pointer justify-between rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board"
          onSelect={() => open("shortcuts")}
        >
          {t("shortcuts.title")} <span className="font-code text-xs text-soft">?</span>
        </Menu.Item>
        <Menu.Item
          className="cursor-pointer rounded-md px-3 py-2 outline-none data-[highlighted]:bg-board"
          onSelect={() => void leave()}
        >
          {t("account.signOut")}
        </Menu.Item>
      </Menu.Content>
    </Menu.Root>
  );
}
