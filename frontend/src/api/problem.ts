import type { components } from "./schema";

export type Problem = components["schemas"]["ProblemOut"];
export type Spot = components["schemas"]["SpotOut"];

/** The server's refusal, as problem details (RFC 9457). */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
    this.name = "ApiProblem";
  }

  get status(): number {
    return this.problem.status;
  }

  /** The refused spots of one field. */
  spots(field: string): Spot[] {
    return (this.problem.errors ?? []).filter((spot) => spot.field === field);
  }
}

/** No answer came: the connection is down, or the server is. */
export class NoConnection extends Error {
  constructor() {
    super("no connection");
    this.name = "NoConnection";
  }
}
