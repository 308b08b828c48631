import createClient from "openapi-fetch";
import { ApiProblem, NoConnection, type Problem } from "./problem";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];
export type Site = Schemas["SiteOut"];
export type Style = Schemas["StyleOut"];
export type Facts = Schemas["Facts"];
export type Proofs = Schemas["ProofsOut"];
export type Proof = Schemas["ProofOut"];
export type Edition = Schemas["EditionOut"];
export type Change = Schemas["ChangeOut"];
export type Page = Schemas["PageOut"];
export type PageFull = Schemas["PageFull"];
export type PageFields = Schemas["PageIn"];
export type Reach = Schemas["ReachOut"];
export type BrandReport = Schemas["BrandOut"];
export type Session = Schemas["SessionOut"];
export type Account = Schemas["AccountOut"];
export type Town = Schemas["TownOut"];
export type Language = Schemas["LanguageOut"];

export function token(): string {
  return /(?:^|; )(?:__Host-)?csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";
}

export const api = createClient<paths>({ baseUrl: location.origin });
api.use({
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", token());
    return request;
  },
});

interface Outcome<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

function asProblem(error: unknown, response: Response): Problem {
  if (typeof error === "object" && error !== null && "title" in error) return error as Problem;
  return { type: "about:blank", status: response.status, code: "http", title: response.statusText, errors: [] };
}

const PATIENCE = 30_000;

/**
 * Ends a call that gets no answer for half a minute, as over a line that broke without a word: what is asked or kept
 * while somebody types must not wait for it any longer.
 */
export function patience(): AbortSignal {
  return AbortSignal.timeout(PATIENCE);
}

/** What a call gave. Throws ApiProblem for a refusal, NoConnection when no answer came. */
export async function result<T>(call: Promise<Outcome<T>>): Promise<T> {
  const outcome = await call.catch((error: unknown) => {
    const tooLong = error instanceof DOMException && error.name === "TimeoutError";
    if (error instanceof TypeError || tooLong) throw new NoConnection();
    throw error;
  });
  if (!outcome.response.ok) throw new ApiProblem(asProblem(outcome.error, outcome.response));
  return outcome.data as T;
}
