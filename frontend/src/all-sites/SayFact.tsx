import { useId, useState, type SubmitEvent } from "react";
import { TOLD_TO_SEVERAL } from "../api/lists.gen";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Select } from "../ui/Select";
import { useSay, type Done } from "./api";

interface Props {
  slugs: string[];
  onDone: (done: Done[]) => void;
  onLeave: () => void;
}

/** One fact, said in the drafts of all that are ticked. */
export function SayFact({ slugs, onDone, onLeave }: Props) {
  const { t } = useTranslation();
  const id = useId();
  const say = useSay();
  const [key, setKey] = useState<string>(TOLD_TO_SEVERAL[0]);
  const [words, setWords] = useState("");
  const problem = say.error instanceof ApiProblem ? say.error : null;
  const wrong = problem?.of(key) ?? [];
  function submit(event: SubmitEvent) {
    event.preventDefault();
    say.mutate({ sites: slugs, facts: { [key]: words } }, { onSuccess: onDone });
  }
  return (
    <form onSubmit={submit} className="flex flex-1 flex-wrap items-start gap-x-3 gap-y-2">
      <Select
        label={t("round.fact")}
        value={key}
        onChoose={setKey}
        options={TOLD_TO_SEVERAL.map((fact) => [fact, t(`factName.${fact}`)] as const)}
      />
      <span className="grid min-w-56 flex-1">
        <label htmlFor={id} className="unseen">
          {t("round.words", { fact: t(`factName.${key}`) })}
        </label>
        <input
          id={id}
          dir="auto"
          autoFocus
          value={words}
          aria-invalid={wrong.length > 0}
          aria-describedby={`${id}-wrong`}
          className="min-h-9 rounded-sm border border-soft bg-paper px-2.5 aria-invalid:border-stop"
          onChange={(event) => setWords(event.target.value)}
        />
        <span id={`${id}-wrong`} className="text-stop" hidden={wrong.length === 0}>
          {wrong.map(({ message }) => message).join(" ")}
        </span>
      </span>
      <Button type="submit" disabled={say.isPending}>
        {t("round.sayOn", { count: slugs.length })}
      </Button>
      <Button variant="quiet" onClick={onLeave}>
        {t("defaults.cancel")}
      </Button>
      {wrong.length === 0 && <ErrorNotice error={say.error} />}
    </form>
  );
}
