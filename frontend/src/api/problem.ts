import type { components } from "./schema";

export type Problem = components["schemas"]["ProblemOut"];
export type FieldError = components["schemas"]["FieldErrorOut"];

/** The server's refusal, as problem details (RFC 9457). */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.title);
    this.name = "ApiProblem";
  }

  get status(): number {
    return this.problem.status;
  }

  /** What is wrong with one field, or with a part of it. */
  of(field: string): FieldError[] {
    return (this.problem.errors ?? []).filter((error) => error.field === field || error.field.startsWith(`${field}.`));
  }
}

/** No answer came: the connection is down, or the server is. */
export class NoConnection extends Error {
  constructor() {
    super("no connection");
    this.name = "NoConnection";
  }
}
