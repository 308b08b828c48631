import { useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { useAddPage } from "./api";
import { PageSelect } from "./PageSelect";

/** A new page or post from its title; all else is said where it then stands open. */
export function AddPage({ onDone }: { onDone: () => void }) {
  const { t } = useTranslation();
  const site = useSite();
  const navigate = useNavigate();
  const add = useAddPage(site.slug);
  const [title, setTitle] = useState("");
  const [place, setPlace] = useState("");
  const problem = add.error instanceof ApiProblem ? add.error : null;
  function submit(event: SubmitEvent) {
    event.preventDefault();
    const post = place === "post";
    add.mutate(
      { title, kind: post ? "post" : "page", parent: post || !place ? null : Number(place) },
      {
        onSuccess: (page) => {
          onDone();
          void navigate(`?page=${String(page.id)}`, { state: { visit: Date.now() } });
        },
      },
    );
  }
  return (
    <form onSubmit={submit} className="mx-6 mb-4 grid max-w-3xl gap-3 rounded-lg border border-line p-4" noValidate>
      {!problem && <ErrorNotice error={add.error} lost={t("addPage.lost")} />}
      <Field
        label={t("addPage.title")}
        dir="auto"
        autoFocus
        value={title}
        errors={problem?.of("title") ?? []}
        onChange={(event) => setTitle(event.target.value)}
      />
      <PageSelect
        label={t("addPage.place")}
        value={place}
        keyOf={(page) => String(page.id)}
        others={[
          ["", t("addPage.top")],
          ["post", t("addPage.post")],
        ]}
        only="parents"
        wordsOf={(page) => t("addPage.below", { title: page.shown_title })}
        onChoose={setPlace}
        className="min-h-10 w-full rounded-md border border-soft bg-paper px-3"
      />
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={add.isPending || !title.trim()}>
          {t("addPage.add")}
        </Button>
        <button type="button" className="act-link" onClick={onDone}>
          {t("event.cancel")}
        </button>
      </div>
    </form>
  );
}
