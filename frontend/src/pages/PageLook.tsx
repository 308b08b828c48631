import { useEffect, useRef, useState, type RefObject } from "react";
import { api, result, type Schemas } from "../api/client";
import { useSelect, useSite } from "../draft/hooks";
import type { DraftStore } from "../draft/store";
import { useTranslation } from "../i18n/useTranslation";
import { PillChoice } from "../ui/PillChoice";
import { useSettled } from "../ui/useSettled";
import { usePreview } from "./api";

const WIDTHS = { desktop: 1280, tablet: 820, phone: 390 } as const;
type Kind = keyof typeof WIDTHS;
const KINDS = ["desktop", "tablet", "phone"] as const;
/** What is drawn into the page while it is typed; all else the page is fetched anew for. */
const TYPED = ["title", "own_title", "body", "shows_heading"] as const;

/** How large an element is, followed as it changes. */
function useSize() {
  const element = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 0, height: 0 });
  useEffect(() => {
    if (!element.current) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(element.current);
    return () => observer.disconnect();
  }, []);
  return { element, ...size };
}

/**
 * Draws what is being typed into the preview, as the press makes it: one asking at a time, the latest words next. Gives
 * what the frame is to call when the page at its address has come, which says what was saved when it was asked for.
 */
function useTyped(
  page: number,
  preview: string | undefined,
  address: string,
  frame: RefObject<HTMLIFrameElement | null>,
) {
  const site = useSite().slug;
  const wordsOf = (read: "value" | "saved") => (one: DraftStore) => {
    const open = one.page(page);
    return JSON.stringify(
      open ? TYPED.map((name) => (read === "value" ? open.value(name) : open.state.saved[name])) : null,
    );
  };
  const typed = useSelect(wordsOf("value"));
  const saved = useSelect(wordsOf("saved"));
  const [come, setCome] = useState(0);
  const asked = useRef(saved);
  const latest = useRef(saved);
  const drawn = useRef(typed);
  const wanted = useRef(typed);
  const busy = useRef(false);
  useEffect(() => {
    latest.current = saved;
  }, [saved]);
  useEffect(() => {
    asked.current = latest.current;
  }, [address]);
  useEffect(() => {
    wanted.current = typed;
    if (!preview || come === 0 || typed === drawn.current || busy.current) return;
    const { origin, pathname } = new URL(preview);
    const root = pathname.slice(pathname.indexOf("/_preview/"), -1);
    async function draw() {
      busy.current = true;
      while (drawn.current !== wanted.current) {
        const words = wanted.current;
        const values = JSON.parse(words) as unknown[];
        try {
          const look = await result<Schemas["LookOut"]>(
            api.POST("/api/sites/{site}/pages/{page}/look", {
              params: { path: { site, page } },
              body: {
                root,
                ...Object.fromEntries(TYPED.map((name, index) => [name, values[index]])),
              } as Schemas["LookIn"],
            }),
          );
          frame.current?.contentWindow?.postMessage(look, origin);
          drawn.current = words;
        } catch {
          // What can't be drawn now is drawn with the next keystroke, or when it was kept.
          break;
        }
      }
      busy.current = false;
    }
    void draw();
  }, [typed, come, preview, page, site, frame]);
  return () => {
    drawn.current = asked.current;
    setCome((count) => count + 1);
  };
}

/** The real page of the draft, as visitors on three widths would see it, drawn anew with each keystroke. */
export function PageLook({ page, path, narrow }: { page: number; path: string; narrow: boolean }) {
  const { t } = useTranslation();
  const site = useSite().slug;
  const preview = usePreview(site).data;
  const frame = useRef<HTMLIFrameElement>(null);
  const rest = useSelect((one) => {
    const saved = one.page(page)?.state.saved;
    return saved ? JSON.stringify({ ...saved, ...Object.fromEntries(TYPED.map((name) => [name, ""])) }) : "";
  });
  const facts = useSelect((one) => JSON.stringify(one.facts.state.saved));
  const settled = useSettled(rest + facts, 400);
  const [version, setVersion] = useState({ of: settled, number: 0 });
  if (version.of !== settled) setVersion({ of: settled, number: version.number + 1 });
  const [kind, setKind] = useState<Kind>(narrow ? "phone" : "tablet");
  const { element, width, height } = useSize();
  const scale = Math.min(1, width / WIDTHS[kind]);
  const address = preview ? `${preview}${path.slice(1)}?${String(version.number)}` : "";
  const onCome = useTyped(page, preview, address, frame);
  return (
    <div className="dotted flex h-full flex-col rounded-lg border border-line p-3">
      <PillChoice
        label={t("look.width")}
        all={KINDS}
        chosen={kind}
        words={(one) => t(`look.${one}`)}
        onChoose={setKind}
      />
      <div ref={element} className="mt-2 min-h-0 flex-1 overflow-hidden">
        {preview && width > 0 && (
          <iframe
            ref={frame}
            title={t("page.look")}
            src={address}
            onLoad={onCome}
            // Another origin than the desk's; its fonts need that origin, and its small script draws what is typed.
            sandbox="allow-same-origin allow-scripts"
            className="block origin-top-left rounded-sm bg-white shadow-md rtl:origin-top-right"
            style={{ width: WIDTHS[kind], height: height / scale, transform: `scale(${String(scale)})` }}
          />
        )}
      </div>
    </div>
  );
}
