import { configure } from "@testing-library/react";
import { afterEach, beforeEach, vi } from "vitest";

// A busy machine takes its time.
configure({ asyncUtilTimeout: 15_000 });

/** A call of the interface: "GET /api/clients", with its body and its query. */
export interface Asked {
  call: string;
  body: unknown;
  query: Record<string, string>;
}

/** What the server answers, at once or later. */
type Reply = unknown | ((asked: Asked) => unknown);

/** One for all files of tests that run in the same place. */
const shared = globalThis as typeof globalThis & { served?: { replies: Map<string, Reply>; calls: Asked[] } };
shared.served ??= { replies: new Map(), calls: [] };
const { served } = shared;

/** An answer that is a problem, in the server's words. */
export class Problem {
  readonly isProblem = true;

  constructor(
    readonly status: number,
    readonly detail: string,
    readonly conflicts?: unknown[],
  ) {}
}

/** Says what the server answers to a call from now on. */
export function serve(call: string, reply: Reply) {
  served.replies.set(call, reply);
}

/** The calls so far, all or those of one kind. */
export function asked(call?: string) {
  return call ? served.calls.filter((each) => each.call === call) : served.calls;
}

const isProblem = (reply: unknown): reply is Problem =>
  typeof reply === "object" && reply !== null && "isProblem" in reply;

async function answer(input: Request) {
  const url = new URL(input.url);
  const text = await input.clone().text();
  const isForm = input.headers.get("content-type")?.startsWith("multipart/");
  const it: Asked = {
    call: `${input.method} ${url.pathname}`,
    body: text === "" || isForm ? undefined : JSON.parse(text),
    query: Object.fromEntries(url.searchParams),
  };
  served.calls.push(it);
  const reply = served.replies.get(it.call);
  const found = await (typeof reply === "function" ? reply(it) : reply);
  if (found === undefined) return Response.json({ detail: `the test serves no ${it.call}` }, { status: 404 });
  if (isProblem(found)) {
    return Response.json({ detail: found.detail, conflicts: found.conflicts }, { status: found.status });
  }
  return Response.json(found);
}

/** The interface asks its own host; Node's requests want it named, and know no abort signals but their own. */
class OwnHostRequest extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    const address = typeof input === "string" && input.startsWith("/") ? `http://lucid.test${input}` : input;
    super(address, { ...init, signal: undefined });
  }
}

vi.stubGlobal("Request", OwnHostRequest);
vi.stubGlobal("fetch", (input: RequestInfo | URL, init?: RequestInit) => answer(new OwnHostRequest(input, init)));

class Nothing {
  observe() {}
  unobserve() {}
  disconnect() {}
  addEventListener() {}
  removeEventListener() {}
  close() {}
}

vi.stubGlobal("ResizeObserver", Nothing);
vi.stubGlobal("EventSource", Nothing);
vi.stubGlobal("matchMedia", () => ({ matches: false, addEventListener() {}, removeEventListener() {}, addListener() {} }));
Object.defineProperty(document, "fonts", { configurable: true, value: new Nothing() });
// jsdom lays nothing out; a height lets tables draw their rows.
Object.defineProperty(HTMLElement.prototype, "clientHeight", { configurable: true, value: 600 });
Object.defineProperty(HTMLElement.prototype, "clientWidth", { configurable: true, value: 1200 });
URL.revokeObjectURL = () => undefined;
HTMLElement.prototype.scrollTo = () => undefined;
HTMLElement.prototype.scrollIntoView = () => undefined;

beforeEach(() => {
  served.replies.clear();
  served.calls = [];
});

afterEach(async () => {
  const { cleanup } = await import("@testing-library/react");
  cleanup();
  document.body.replaceChildren();
  localStorage.clear();
});
