import { useId, useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
import { useWhen } from "../draft/when/useWhen";
import { WhenField } from "../draft/when/WhenField";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { usePlanEvent } from "./api";
import { begunOn } from "./schedule";

/** A new event from a name and a day; all else is said where it then stands open. */
export function AddEvent({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const site = useSite();
  const id = useId();
  const navigate = useNavigate();
  const plan = usePlanEvent(site.slug);
  const [title, setTitle] = useState("");
  const { field, withValue } = useWhen();
  const [isMissing, setMissing] = useState(false);
  const problem = plan.error instanceof ApiProblem ? plan.error : null;
  function submit(event: SubmitEvent) {
    event.preventDefault();
    const opened = {
      onSuccess: (page: { id: number }) => {
        onDone();
        void navigate(`/${site.slug}/pages/${String(page.id)}`);
      },
    };
    withValue((day) => {
      setMissing(!day);
      if (day) plan.mutate({ title, schedule: begunOn(day) }, opened);
    });
  }
  return (
    <form onSubmit={submit} className="mx-6 mb-4 grid max-w-3xl gap-3 rounded-lg border border-line p-4" noValidate>
      {!problem && <ErrorNotice error={plan.error} lost={t("event.lost")} />}
      <Field
        label={t("event.name")}
        dir="auto"
        autoFocus
        value={title}
        errors={problem?.of("title") ?? []}
        onChange={(event) => setTitle(event.target.value)}
      />
      <div className="grid justify-items-start gap-1">
        <label htmlFor={id} className="font-semibold">
          {t("event.starts")}
        </label>
        <WhenField wanted="day" id={id} required describedBy={`${id}-hint`} {...field} />
        <p id={`${id}-hint`} className="text-xs text-soft">
          {t("event.addHint")}
        </p>
        <p role="alert" className="text-stop empty:hidden">
          {isMissing && !field.value
            ? t("event.dayMissing")
            : (problem?.of("schedule") ?? []).map((error) => error.message).join(" ")}
        </p>
      </div>
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={plan.isPending || !title.trim()}>
          {t("event.add")}
        </Button>
        <button type="button" className="act-link" onClick={onDone}>
          {t("event.cancel")}
        </button>
      </div>
    </form>
  );
}
