import { useState } from "react";
import { useSite } from "../draft/hooks";
import { useTranslation } from "../i18n/useTranslation";
import { PillChoice } from "../ui/PillChoice";
import { messageUrl, type Theme, type WholeMessage } from "./api";

const THEMES: Theme[] = ["light", "dark"];
type Shape = "wide" | "phone" | "text" | "headers";

interface Props {
  /** The message's number, or `kinds/` with a kind. */
  of: string;
  /** Its text part and headers, where they are known. */
  text?: string;
  headers?: WholeMessage["headers"];
  /** Changes when the message does, so that it is fetched anew. */
  version?: string;
}

/** A message as its receiver sees it: wide, on a phone, in light and dark; as plain text; its headers. */
export function MessageLook({ of, text, headers, version = "" }: Props) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const [shape, setShape] = useState<Shape>("wide");
  const [theme, setTheme] = useState<Theme>("light");
  const shapes: Shape[] = [
    "wide",
    "phone",
    ...(text === undefined ? [] : ["text" as const]),
    ...(headers ? ["headers" as const] : []),
  ];
  const drawn = shape === "wide" || shape === "phone";
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        <PillChoice
          label={t("tray.as")}
          all={shapes}
          chosen={shape}
          words={(one) => t(`tray.shape.${one}`)}
          onChoose={setShape}
        />
        {drawn && (
          <PillChoice
            label={t("variant.dark")}
            all={THEMES}
            chosen={theme}
            words={(one) => t(`tray.theme.${one}`)}
            onChoose={setTheme}
          />
        )}
      </div>
      {drawn && (
        <div className="dotted rounded-lg border border-line p-3">
          <iframe
            title={t("tray.frame")}
            src={`${messageUrl(site, of, theme)}${version && `&v=${encodeURIComponent(version)}`}`}
            sandbox=""
            loading="lazy"
            className={`mx-auto block h-[30rem] max-w-full rounded-sm bg-white shadow-md ${shape === "phone" ? "w-[360px]" : "w-[46rem]"}`}
          />
        </div>
      )}
      {shape === "text" && (
        <pre
          dir="auto"
          className="max-w-[46rem] rounded-lg border border-line p-4 font-code text-xs break-words whitespace-pre-wrap"
        >
          {text}
        </pre>
      )}
      {shape === "headers" && (
        <dl className="grid max-w-[46rem] grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-lg border border-line p-4 font-code text-xs">
          {headers?.map((header, index) => (
            <div key={index} className="col-span-2 grid grid-cols-subgrid">
              <dt className="text-soft">{header.name}</dt>
              <dd className="min-w-0 break-words">{header.value}</dd>
            </div>
          ))}
        </dl>
      )}
    </div>
  );
}
