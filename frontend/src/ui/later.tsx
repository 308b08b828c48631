import { lazy, Suspense, useState, type ComponentType } from "react";
import { wordsOfLater } from "../i18n/i18n";
import { useTranslation } from "../i18n/useTranslation";

function Fetching() {
  const { t } = useTranslation();
  return (
    <p role="status" className="text-soft">
      {t("state.loading")}
    </p>
  );
}

type Later<Props> = ComponentType<Props> & {
  /** Fetches the part before it is shown, so that nothing has to be waited for then. */
  preload: () => Promise<void>;
};

/** A part of the desk that is fetched when it is first shown, so that the desk itself comes sooner. */
export function later<Props extends object>(fetch: () => Promise<ComponentType<Props>>): Later<Props> {
  let fetched: ComponentType<Props> | null = null;
  const load = async () => {
    const [part] = await Promise.all([fetch(), wordsOfLater()]);
    return (fetched = part);
  };
  const Part = lazy(async () => ({ default: await load() })) as unknown as ComponentType<Props>;
  function Later(props: Props) {
    // What is there already is drawn at once: React keeps a fallback for a while once it was shown.
    const [Shown] = useState<ComponentType<Props>>(() => fetched ?? Part);
    return (
      <Suspense fallback={<Fetching />}>
        <Shown {...props} />
      </Suspense>
    );
  }
  return Object.assign(Later, {
    preload: async () => {
      await load();
    },
  });
}
