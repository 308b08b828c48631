import { FactText } from "../draft/FactText";
import { LeftOut } from "./LeftOut";

/** The text beside every page's own. */
export function SideField({ readOnly }: { readOnly: boolean }) {
  return (
    <>
      <FactText fact="side_text" readOnly={readOnly} className="text-[15px]" lines />
      <LeftOut readOnly={readOnly} />
    </>
  );
}
