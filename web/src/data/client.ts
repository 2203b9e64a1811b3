/** The API client, typed by the generated OpenAPI types, and the one kind of error. */
import createClient from "openapi-fetch";
import type { components, paths } from "../../generated/api";
import { says } from "../words/data";

export type Schemas = components["schemas"];
/** The plan, with what was measured beside it under `facts`: edited the same way, kept apart by the server. */
export type Design = Schemas["Design"] & { facts: Schemas["Facts"] };
export type Report = Schemas["Report"];
export type Appliance = Schemas["Appliance"];
export type Circuit = Schemas["Circuit"];
export type Board = Schemas["Board"];
export type CircuitPart = Schemas["CircuitPart"];
export type Finding = Schemas["Finding"];
export type Workings = Record<string, Schemas["WorkingOut"]>;
export type Proposal = Schemas["Offered"];
export type PatchOp = { op: "add" | "remove" | "replace" | "move" | "copy" | "test"; path: string; value?: unknown; from?: string };

export const api = createClient<paths>({ baseUrl: globalThis.location?.origin ?? "", fetch: (request) => globalThis.fetch(request) });

/** An answer that is not a success. `status` 0 means that the server was not reached. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly key: string,
    message: string,
    readonly head: number | null = null,
    readonly changed: string[] = [],
  ) {
    super(message);
  }

  /** Worth sending again later: nothing is wrong with what was sent. */
  get unreachable(): boolean {
    return [0, 502, 503, 504, 507].includes(this.status);
  }
}

type Body = { error?: { key?: string; message?: string; plain?: string }; head?: number; changed?: string[] };

/** The data of an answer, or an ApiError in words a person can act on. */
export async function take<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let answer: { data?: T; error?: unknown; response: Response };
  try {
    answer = await call;
  } catch {
    throw new ApiError(0, "server", says("bothy-does-not-answer"));
  }
  if (answer.response.ok) return answer.data as T;
  const body = (answer.error ?? {}) as Body;
  throw new ApiError(
    answer.response.status,
    body.error?.key ?? "server",
    body.error?.plain ?? body.error?.message ?? says("server-answered", { status: answer.response.status }),
    body.head ?? null,
    body.changed ?? [],
  );
}

/** Send a file’s bytes as they are; throws with the server’s words, or with `otherwise`. */
export async function sendBytes<T>(path: string, body: Blob, type: string, otherwise: string): Promise<T> {
  const answer = await globalThis.fetch(path, { method: "POST", body, headers: { "content-type": type } });
  const said = (await answer.json().catch(() => null)) as (T & Body) | null;
  if (!answer.ok || !said) throw new Error(said?.error?.plain ?? said?.error?.message ?? otherwise);
  return said;
}
