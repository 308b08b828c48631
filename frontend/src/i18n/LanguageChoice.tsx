import { Languages } from "lucide-react";
import { isDeskLanguage, LANGUAGES, rememberLanguage, speak, spoken } from "./i18n";
import { useTranslation } from "./useTranslation";

/** The desk's own language, to be changed by whoever can't read the present one: a sign, and each one's own name. */
export function LanguageChoice({ compact = false, className = "" }: { compact?: boolean; className?: string }) {
  const { i18n } = useTranslation();
  return (
    <label
      className={`relative flex items-center gap-1.5 rounded-full text-soft has-focus-visible:outline-2 has-focus-visible:outline-act ${compact ? "max-2xl:size-9 max-2xl:justify-center" : ""} ${className}`}
    >
      <Languages size={18} aria-hidden className="flex-none" />
      <span className="unseen">Language · Sprache · Idioma · Langue · اللغة</span>
      <select
        value={spoken(i18n.language)}
        // Where room is short only the sign is seen; what is pressed is still the choice itself.
        className={`max-w-24 rounded-sm bg-transparent py-1.5 text-ink ${compact ? "max-2xl:absolute max-2xl:inset-0 max-2xl:opacity-0" : ""}`}
        onChange={(event) => {
          const { value } = event.target;
          if (!isDeskLanguage(value)) return;
          rememberLanguage(value);
          void speak(value).catch(() => undefined);
        }}
      >
        {LANGUAGES.map(({ tag, name }) => (
          <option key={tag} value={tag} lang={tag}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
