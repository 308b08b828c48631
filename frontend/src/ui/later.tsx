import { lazy, Suspense, type ComponentType } from "react";
import { useTranslation } from "react-i18next";

function Fetching() {
  const { t } = useTranslation();
  return (
    <p role="status" className="text-soft">
      {t("state.loading")}
    </p>
  );
}

/** A part of the desk that is fetched when it is first shown, so that the desk itself comes sooner. */
export function later<Props extends object>(fetch: () => Promise<ComponentType<Props>>): ComponentType<Props> {
  const Part = lazy(async () => ({ default: await fetch() })) as unknown as ComponentType<Props>;
  return function Later(props: Props) {
    return (
      <Suspense fallback={<Fetching />}>
        <Part {...props} />
      </Suspense>
    );
  };
}
