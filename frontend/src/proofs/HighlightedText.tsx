import { pieces, type Line } from "./model";

/** A line as it was read back, with the fact highlighted in citron. */
export function HighlightedText({ line, fact }: { line: Line; fact: string }) {
  return (
    <>
      {pieces(line, fact).map((piece, index) =>
        piece.lit ? (
          <mark key={index} className="lit">
            {piece.text}
          </mark>
        ) : (
          <span key={index}>{piece.text}</span>
        ),
      )}
    </>
  );
}
