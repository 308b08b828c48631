import { useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import type { Page } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { useAddPage } from "./api";

interface Props {
  pages: Page[];
  onDone: () => void;
}

/** A new page or post from its title; all else is said where it then stands open. */
export function AddPage({ pages, onDone }: Props) {
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
      <label className="grid gap-1">
        <span className="font-semibold">{t("addPage.place")}</span>
        <select
          value={place}
          onChange={(event) => setPlace(event.target.value)}
          className="min-h-10 w-full rounded-md border border-soft bg-paper px-3"
        >
          <option value="">{t("addPage.top")}</option>
          <option value="post">{t("addPage.post")}</option>
          {pages
            .filter((page) => page.kind === "page" && page.path !== "/")
            .map((page) => (
              <option key={page.id} value={page.id}>
                {t("addPage.below", { title: page.shown_title })}
              </option>
            ))}
        </select>
      </label>
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
