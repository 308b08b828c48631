import { useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
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
  const navigate = useNavigate();
  const plan = usePlanEvent(site.slug);
  const [title, setTitle] = useState("");
  const [day, setDay] = useState("");
  const problem = plan.error instanceof ApiProblem ? plan.error : null;
  function submit(event: SubmitEvent) {
    event.preventDefault();
    if (!day) return;
    plan.mutate(
      { title, schedule: begunOn(day) },
      {
        onSuccess: (page) => {
          onDone();
          void navigate(`/${site.slug}/pages/${String(page.id)}`);
        },
      },
    );
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
      <Field
        label={t("event.starts")}
        type="date"
        required
        value={day}
        errors={problem?.of("schedule") ?? []}
        hint={t("event.addHint")}
        onChange={(event) => setDay(event.target.value)}
      />
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={plan.isPending || !day || !title.trim()}>
          {t("event.add")}
        </Button>
        <button type="button" className="act-link" onClick={onDone}>
          {t("event.cancel")}
        </button>
      </div>
    </form>
  );
}
