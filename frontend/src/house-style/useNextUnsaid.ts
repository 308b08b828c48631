import { useChecklistItems } from "../checklist";
import { ROW_OF } from "../draft/facts";

/** The fact that is to be said next, by its row; undefined where nothing is missed. */
export function useNextUnsaid(): string | undefined {
  const facts = useChecklistItems().flatMap(({ fact }) => (fact ? [ROW_OF.get(fact)?.key] : []));
  return facts.find((key) => key !== undefined);
}
