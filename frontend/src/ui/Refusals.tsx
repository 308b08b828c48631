import type { ReactNode } from "react";
import { ApiProblem } from "../api/problem";
import { ErrorNotice } from "./ErrorNotice";

interface Props {
  error: Error | null;
  lost?: string;
  children?: ReactNode;
}

/** Why a call was refused: what is wrong with each spot, where the server says so; else as `ErrorNotice`. */
export function Refusals({ error, lost, children }: Props) {
  const spots = error instanceof ApiProblem ? (error.problem.errors ?? []) : [];
  if (!spots.length)
    return (
      <ErrorNotice error={error} {...(lost ? { lost } : {})}>
        {children}
      </ErrorNotice>
    );
  return (
    <div role="alert" className="text-stop">
      {spots.map((one) => (
        <p key={one.message}>{one.message}</p>
      ))}
    </div>
  );
}
