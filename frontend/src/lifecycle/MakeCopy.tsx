import { useState, type SubmitEvent } from "react";
import { useNavigate } from "react-router";
import type { Site } from "../api/client";
import { ApiProblem } from "../api/problem";
import { useStore } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { Button } from "../ui/Button";
import { ChoiceLine } from "../ui/ChoiceLine";
import { Field } from "../ui/Field";
import { Part } from "../ui/Part";
import { Refusals } from "../ui/Refusals";
import { useMakeCopy, type WhatIsCopied } from "./api";

const CHOICES: readonly WhatIsCopied[] = ["all", "facts", "frame"];

/** Another site that begins as this one is; it opens when it is made. */
export function MakeCopy({ site }: { site: Site }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const store = useStore();
  const make = useMakeCopy(site.slug);
  const [name, setName] = useState("");
  const [what, setWhat] = useState<WhatIsCopied>("all");
  const problem = make.error instanceof ApiProblem ? make.error : null;
  const atName = problem?.of("name") ?? [];
  async function submit(event: SubmitEvent) {
    event.preventDefault();
    // What is being typed is copied, too.
    await store.flush();
    make.mutate({ name, what }, { onSuccess: (made) => void navigate(`/${made.slug}/style`) });
  }
  return (
    <Part id="make-copy" title={t("copySite.title")} className="grid gap-2">
      <p className="text-soft">{t("copySite.lead")}</p>
      <form onSubmit={(event) => void submit(event)} className="grid max-w-xl justify-items-start gap-3" noValidate>
        <div className="w-full">
          <Field
            label={t("copySite.name")}
            dir="auto"
            value={name}
            errors={atName}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <fieldset className="grid gap-1.5">
          <legend className="mb-1 font-semibold">{t("copySite.what")}</legend>
          {CHOICES.map((one) => (
            <ChoiceLine
              key={one}
              field="copied"
              looks="-mx-1.5 rounded-sm px-1.5 py-0.5"
              isChosen={what === one}
              readOnly={false}
              onChoose={() => setWhat(one)}
            >
              {t(`copySite.${one}`)}
            </ChoiceLine>
          ))}
        </fieldset>
        {atName.length === 0 && <Refusals error={make.error} />}
        <Button type="submit" variant="quiet" disabled={make.isPending}>
          {t("copySite.go")}
        </Button>
      </form>
    </Part>
  );
}
