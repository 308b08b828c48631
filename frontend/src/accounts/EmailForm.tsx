import { useState } from "react";
import type { Account } from "../api/client";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { AccountForm } from "./AccountForm";
import { CurrentPassword } from "./CurrentPassword";
import { errorsOf, useChangeEmail, useLeaveEmail } from "./api";

/** What would have been sent, where mail does not leave: the link in it can be followed from here. */
function Letters({ letters }: { letters: Account["letters"] }) {
  const { t } = useTranslation();
  if (!letters.length) return null;
  return (
    <details className="mt-4 max-w-2xl">
      <summary className="cursor-pointer text-soft">{t("account.letters")}</summary>
      <ul className="mt-2 grid gap-3">
        {letters.map(({ receiver, subject, text }) => (
          <li key={receiver + subject + text} className="rounded-lg border border-line px-4 py-3">
            <p className="font-code text-xs break-all text-soft">{receiver}</p>
            <p className="font-semibold">{subject}</p>
            {text.split("\n\n").map((part) => (
              <p key={part} className="mt-1 break-words">
                {/^https?:\/\/\S+$/.test(part) ? (
                  <a href={part} className="act-link font-code text-xs break-all">
                    {part}
                  </a>
                ) : (
                  part
                )}
              </p>
            ))}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** That another address was asked, and has not agreed yet. */
function Wished({ account }: { account: Account }) {
  const { t } = useTranslation();
  const leave = useLeaveEmail();
  return (
    <div className="mt-4 max-w-md rounded-lg bg-warn-soft px-4 py-3" role="status">
      <p className="break-words">{t("account.wished", { address: account.wished, current: account.email })}</p>
      <ErrorNotice error={leave.error} />
      <p className="mt-1">
        <ActionLink onClick={() => leave.mutate(undefined)}>
          {t("account.leave", { current: account.email })}
        </ActionLink>
      </p>
    </div>
  );
}

/** The address that one signs in with: another one counts once its reader agreed. */
export function EmailForm({ account }: { account: Account }) {
  const { t } = useTranslation();
  const change = useChangeEmail();
  const [address, setAddress] = useState(account.email);
  const [current, setCurrent] = useState("");
  return (
    <div>
      <AccountForm
        title={t("account.email")}
        action={t("account.changeEmail")}
        done={account.wished ? t("account.emailAsked") : ""}
        change={change}
        disabled={address === account.email}
        onSubmit={() => change.mutate({ current, email: address }, { onSuccess: () => setCurrent("") })}
      >
        <Field
          label={t("account.newEmail")}
          hint={t("account.emailHint")}
          type="email"
          autoComplete="email"
          value={address}
          errors={errorsOf(change.error, "email")}
          onChange={(event) => setAddress(event.target.value)}
        />
        <CurrentPassword value={current} error={change.error} onType={setCurrent} />
      </AccountForm>
      {account.wished && <Wished account={account} />}
      <Letters letters={account.letters} />
    </div>
  );
}
