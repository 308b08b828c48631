import { useState, type SubmitEvent } from "react";
import { Link, useNavigate } from "react-router";
import type { Town } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useTranslation } from "../i18n/useTranslation";
import { AuthLayout } from "../ui/AuthLayout";
import { Button } from "../ui/Button";
import { Field } from "../ui/Field";
import { ErrorNotice } from "../ui/ErrorNotice";
import { useMakeSite } from "./api";
import { LabelField } from "./LabelField";
import { TownField } from "./TownField";

/** A site from a name and a town. `first` says that the person has none yet. */
export function NewSite({ first }: { first: boolean }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const make = useMakeSite();
  const [name, setName] = useState("");
  const [label, setLabel] = useState("");
  const [town, setTown] = useState<Town | null>(null);
  const [missing, setMissing] = useState(false);
  const problem = make.error instanceof ApiProblem ? make.error : null;
  const townErrors = missing && !town ? [{ field: "town", code: "missing", message: t("newSite.townMissing") }] : [];

  function submit(event: SubmitEvent) {
    event.preventDefault();
    setMissing(!town);
    if (!town) return;
    make.mutate(
      { name, town: town.id, slug: "", label },
      { onSuccess: (site) => void navigate(`/${site.slug}/to-say`) },
    );
  }

  return (
    <AuthLayout title={first ? t("newSite.first") : t("newSite.title")} lead={t("newSite.lead")} said={{ name, town }}>
      <form onSubmit={submit} className="grid gap-4" noValidate>
        <ErrorNotice error={make.error} />
        <Field
          label={t("newSite.name")}
          hint={t("newSite.nameHint")}
          autoFocus
          dir="auto"
          value={name}
          errors={problem?.of("name") ?? []}
          onChange={(event) => setName(event.target.value)}
        />
        <TownField label={t("newSite.town")} hint={t("newSite.townHint")} errors={townErrors} onChoose={setTown} />
        {!first && <LabelField label={label} problem={problem} onType={setLabel} />}
        <div className="flex items-center gap-5">
          <Button type="submit" disabled={make.isPending}>
            {t("newSite.go")}
          </Button>
          {!first && (
            <Link to="/" className="act-link">
              {t("newSite.back")}
            </Link>
          )}
        </div>
      </form>
    </AuthLayout>
  );
}
