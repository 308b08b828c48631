import type { Account } from "../api/client";
import { useFormat } from "../i18n/format";
import { useTranslation } from "../i18n/useTranslation";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useSignOutDevice } from "./api";

type Device = Account["devices"][number];

export function Devices({ devices }: { devices: Device[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const signOut = useSignOutDevice();
  return (
    <section aria-labelledby="devices">
      <h2 id="devices" className="text-lg font-semibold">
        {t("account.devices")}
      </h2>
      <p className="mb-3 text-soft">{t("account.devicesHint")}</p>
      <ErrorNotice error={signOut.error} />
      <ul className="divide-y divide-line border-y border-line">
        {devices.map((device) => (
          <li key={device.id} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-3">
            <span className="min-w-0 flex-1 basis-60">
              <b className="font-semibold">{device.name}</b>
              <span className="block text-xs text-soft">
                {device.here ? t("account.here") : t("account.seen", { when: format.instant(device.seen) })}
              </span>
            </span>
            {!device.here && (
              <button
                type="button"
                className="act-link flex-none"
                disabled={signOut.isPending}
                onClick={() => signOut.mutate(device.id)}
                aria-label={t("account.signOutDevice", { name: device.name })}
              >
                {t("account.signOut")}
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
