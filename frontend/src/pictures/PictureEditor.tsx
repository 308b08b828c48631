import { useState, type SubmitEvent } from "react";
import { Link } from "react-router";
import { ApiProblem } from "../api/problem";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";
import { Field } from "../ui/Field";
import { useDescribe, type Picture } from "./api";
import { PictureActions } from "./PictureActions";

function Uses({ picture }: { picture: Picture }) {
  const { t } = useTranslation();
  const site = useSite();
  const { edition } = picture;
  const shown = edition !== null && <p className="text-soft">{t("pictures.inEdition", { number: edition })}</p>;
  if (!picture.uses.length) return shown || <p className="text-soft">{t("pictures.usedNowhere")}</p>;
  return (
    <div>
      <h3 className="text-xs text-soft">{t("pictures.uses")}</h3>
      <ul>
        {picture.uses.map((use) => (
          <li key={use.fact + use.path}>
            <Link to={use.fact ? `/${site.slug}/style#fact-${use.fact}` : `/${site.slug}/pages`} className="act-link">
              {use.fact ? t(`factName.${use.fact}`) : use.title}
            </Link>{" "}
            {use.path && <span className="text-xs text-soft">{t("pictures.onPage", { path: use.path })}</span>}
          </li>
        ))}
      </ul>
      {shown}
    </div>
  );
}

function Words({ picture }: { picture: Picture }) {
  const { t } = useTranslation();
  const site = useSite();
  const describe = useDescribe(site.slug);
  const [words, setWords] = useState({
    description: picture.description,
    title: picture.title,
    caption: picture.caption,
  });
  const problem = describe.error instanceof ApiProblem ? describe.error : null;
  const same = (["description", "title", "caption"] as const).every((field) => words[field] === picture[field]);
  function submit(event: SubmitEvent) {
    event.preventDefault();
    describe.mutate({ picture: picture.id, words });
  }
  return (
    <form onSubmit={submit} className="grid max-w-xl gap-2.5">
      {(["description", "title", "caption"] as const).map((field) => (
        <Field
          key={field}
          dir="auto"
          label={t(`pictures.${field}`)}
          hint={field === "description" ? t("pictures.descriptionWhy") : undefined}
          errors={problem?.of(field) ?? []}
          value={words[field]}
          onChange={(event) => setWords({ ...words, [field]: event.target.value })}
        />
      ))}
      {!problem?.problem.errors?.length && <ErrorNotice error={describe.error} />}
      <div className="flex items-center gap-3">
        <Button type="submit" disabled={same || describe.isPending}>
          {t("pictures.keep")}
        </Button>
        <span role="status" className="text-act">
          {same && describe.isSuccess ? t("pictures.kept") : ""}
        </span>
      </div>
    </form>
  );
}

/** A picture opened: seen larger, its words, its uses, what was done to it, and what can be done with it. */
export function PictureEditor({ picture, mayEdit }: { picture: Picture; mayEdit: boolean }) {
  return (
    <div className="mt-4 grid gap-6 pb-2 md:grid-cols-[minmax(0,22rem)_1fr]">
      <div className="grid content-start gap-3">
        <div className="checker grid place-items-center rounded-md border border-line p-3">
          <img src={picture.thumbnail} alt={picture.description || picture.name} className="max-h-72 max-w-full" />
        </div>
        {picture.notes.length > 0 && <p className="text-xs text-soft">{picture.notes.join(" ")}</p>}
        <Uses picture={picture} />
      </div>
      <div className="grid content-start gap-5">
        {mayEdit ? <Words key={picture.key} picture={picture} /> : <p dir="auto">{picture.caption}</p>}
        <PictureActions picture={picture} mayEdit={mayEdit} />
      </div>
    </div>
  );
}
