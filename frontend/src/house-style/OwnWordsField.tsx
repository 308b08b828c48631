import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, result, type Schemas } from "../api/client";
import { useFact } from "../draft/hooks";
import { useOwnWords } from "../draft/ownWords";
import { useTranslation } from "../i18n/useTranslation";
import { ActionLink } from "../ui/ActionLink";
import { Notice } from "../ui/Notice";
import { QueryBoundary } from "../ui/QueryBoundary";
import { SearchField } from "../ui/SearchField";

type Word = Schemas["WordOut"];

function useWords(language: string, desk: string, shown: boolean) {
  return useQuery({
    queryKey: ["words", language, desk],
    queryFn: () => result<Word[]>(api.GET("/api/words", { params: { query: { language, desk } } })),
    enabled: shown,
    staleTime: Infinity,
  });
}

interface ListProps {
  words: Word[];
  language: string;
  readOnly: boolean;
}

/** Each of the site's own words with its meaning; what is written beside it holds for this site. */
function WordList({ words, language, readOnly }: ListProps) {
  const { t } = useTranslation();
  const { said, set } = useOwnWords();
  const [sought, setSought] = useState("");
  const wanted = sought.trim().toLowerCase();
  const shown = words.filter((word) => `${word.text}\n${word.meaning}`.toLowerCase().includes(wanted));
  return (
    <div className="mt-2">
      {words[0]?.is_missing && <Notice tone="warn">{t("ownWords.missing", { language })}</Notice>}
      <SearchField label={t("ownWords.find")} value={sought} onType={setSought} />
      <ul className="mt-2 max-h-96 overflow-y-auto border-t border-line">
        {shown.map((word) => (
          <li key={word.key} className="grid gap-0.5 border-b border-line py-2">
            <label htmlFor={`own-${word.key}`} className="text-xs text-soft">
              {word.meaning}
            </label>
            <input
              id={`own-${word.key}`}
              type="text"
              dir="auto"
              lang={language}
              disabled={readOnly}
              placeholder={word.text}
              value={said(word.key)}
              className="fact-field placeholder:text-ink"
              onChange={(event) => set(word.key, event.target.value)}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}

/** What pages say by themselves in the site's language, to be looked over, and said otherwise where wanted. */
export function OwnWordsField({ readOnly }: { readOnly: boolean }) {
  const { t, i18n } = useTranslation();
  const language = useFact("language");
  const own = useFact("own_words");
  const [open, setOpen] = useState(false);
  const words = useWords(language, i18n.language, open);
  return (
    <div data-field="own_words" tabIndex={-1} className="outline-none">
      <p className="mb-1.5 text-base font-medium">{t("ownWords.count", { count: own.length })}</p>
      <ActionLink expanded={open} onClick={() => setOpen(!open)}>
        {t("ownWords.lookOver")}
      </ActionLink>
      {open && (
        <QueryBoundary query={words}>
          {(found) => <WordList words={found} language={language} readOnly={readOnly} />}
        </QueryBoundary>
      )}
    </div>
  );
}
