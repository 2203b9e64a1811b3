import { act, cleanup, render, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { overlaid, useVariant, type VariantHand, VariantProvider } from "../src/data/variant";

const base = { schema_version: 1, life: { people: 2, appliances: [{ id: "lamp", name: "Lamp" }] } };
type Answer = { status: number; body: unknown };
let server: { design: typeof base; revision: number };
let answers: ((request: Request, body: Parameters<typeof take>[0]) => Answer | null)[];
let hand: VariantHand;

const state = () => ({
  project_id: "p",
  project_name: "P",
  id: "v",
  name: "n",
  can_undo: false,
  can_redo: false,
  report: { figures: {}, findings: [] },
  recorded: { building: true, building_name: "n", number: 0, facts: {} },
  ...server,
});
const reply = (status: number, body: unknown) => new Response(JSON.stringify(body), { status, headers: { "content-type": "application/json" } });

function take(body: { ops: { op: string; path: string; value: unknown }[] }): Answer {
  const design = structuredClone(server.design);
  for (const op of body.ops) {
    const parts = op.path.split("/").slice(1);
    let here = design as unknown as Record<string, unknown>;
    for (const p of parts.slice(0, -1)) here = here[p] as Record<string, unknown>;
    here[parts.at(-1)!] = op.value;
  }
  server = { design: design as never, revision: server.revision + 1 };
  return {
    status: 200,
    body: {
      revision: server.revision,
      can_undo: true,
      can_redo: false,
      design,
      recorded: state().recorded,
      change: { sections: {}, figures: {}, gone: [] },
      taken: [],
    },
  };
}

beforeEach(() => {
  localStorage.clear();
  server = { design: structuredClone(base), revision: 1 };
  answers = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (request: Request) => {
      if (request.method === "GET") return reply(200, state());
      const body = await request.json().catch(() => ({ ops: [] }));
      const special = answers.shift()?.(request, body);
      const { status, body: answer } = special ?? take(body);
      if (status === 0) throw new TypeError("no network");
      return reply(status, answer);
    }),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

function Probe() {
  hand = useVariant();
  return null;
}
const mount = () =>
  render(
    <VariantProvider id="v" first={state() as never}>
      <Probe />
    </VariantProvider>,
  );
const people = (n: number) => hand.edit([{ op: "replace", path: "/life/people", value: n }], "people");
const name = (text: string) => hand.edit([{ op: "replace", path: "/life/appliances/0/name", value: text }], "name");

/** What any tab keeps of this variant. */
const kept = () =>
  Object.keys(localStorage)
    .filter((k) => k.startsWith("bothy.kept.v"))
    .map((k) => JSON.parse(localStorage.getItem(k)!));

describe("an edit", () => {
  it("shows at once and is saved in order", async () => {
    mount();
    let done: Promise<boolean>[] = [];
    act(() => {
      done = [people(3), name("Spot")];
    });
    expect(hand.design.life?.people).toBe(3);
    expect(hand.design.life?.appliances?.[0]?.name).toBe("Spot");
    expect(await Promise.all(done)).toEqual([true, true]);
    await waitFor(() => expect(hand.saving).toBe("saved"));
    expect(hand.revision).toBe(3);
    expect(server.design.life).toMatchObject({ people: 3, appliances: [{ name: "Spot" }] });
  });

  it("is not taken back by an older answer that comes late", async () => {
    mount();
    const old = reply(200, state());
    let release = () => {};
    vi.mocked(fetch).mockImplementationOnce(() => new Promise((resolve) => (release = () => resolve(old))));
    act(() => void document.dispatchEvent(new Event("visibilitychange")));
    await act(async () => {
      expect(await people(5)).toBe(true);
    });
    expect(hand.revision).toBe(2);
    await act(async () => release());
    expect(hand.revision).toBe(2);
    expect(hand.design.life?.people).toBe(5);
  });

  it("that is refused comes back as it was, with the reason", async () => {
    answers = [() => ({ status: 422, body: { error: { key: "people", message: "life.people: must be at least 1" } } })];
    mount();
    await act(async () => {
      expect(await people(-1)).toBe(false);
    });
    await waitFor(() => expect(hand.rejection?.message).toContain("at least 1"));
    expect(hand.design.life?.people).toBe(2);
    expect(kept()).toEqual([]);
    act(() => hand.dismiss());
    expect(hand.rejection).toBeNull();
  });

  it("is kept when the server is away and sent when it is back", async () => {
    answers = [() => ({ status: 0, body: null })];
    mount();
    let done: Promise<boolean> = Promise.resolve(false);
    act(() => {
      done = people(5);
    });
    await waitFor(() => expect(hand.saving).toBe("kept"));
    expect(hand.design.life?.people).toBe(5);
    expect(kept()).toEqual([[expect.objectContaining({ message: "people" })]]);
    expect(await done).toBe(true);
    await waitFor(() => expect(hand.saving).toBe("saved"));
    expect(server.design.life.people).toBe(5);
  });

  it("survives a reload while the server is away", async () => {
    localStorage.setItem("bothy.kept.v", JSON.stringify([{ ops: [{ op: "replace", path: "/life/people", value: 8 }], message: "people" }]));
    mount();
    await waitFor(() => expect(server.design.life.people).toBe(8));
    await waitFor(() => expect(kept()).toEqual([]));
  });
});

describe("an answer that is lost", () => {
  const lost = (ids: (string | null)[]) => (request: Request, body: Parameters<typeof take>[0]) => {
    ids.push(request.headers.get("Edit-Id"));
    take(body);
    return { status: 0, body: null };
  };

  it("of an edit: the same id is sent again", async () => {
    const ids: (string | null)[] = [];
    answers = [
      lost(ids),
      (request) => {
        ids.push(request.headers.get("Edit-Id"));
        return {
          status: 200,
          body: {
            revision: 2,
            can_undo: true,
            can_redo: false,
            design: server.design,
            recorded: state().recorded,
            change: { sections: {}, figures: {}, gone: [] },
          },
        };
      },
    ];
    mount();
    let done: Promise<boolean> = Promise.resolve(false);
    act(() => {
      done = people(5);
    });
    await waitFor(() => expect(hand.saving).toBe("kept"));
    expect(await done).toBe(true);
    expect(ids).toHaveLength(2);
    expect(ids[0]).toMatch(/^[0-9a-f-]{36}$/);
    expect(ids[1]).toBe(ids[0]);
    await waitFor(() => expect(hand.saving).toBe("saved"));
    expect(hand.revision).toBe(2);
    expect(hand.conflict).toBeNull();
  });

  it("undo waits for the edits before it", async () => {
    const seen: string[] = [];
    const note = (request: Request) => {
      seen.push(`${request.method} ${request.headers.get("If-Match")}`);
      return null;
    };
    answers = [note, note, (request) => note(request) ?? { status: 200, body: { ...(take({ ops: [] }).body as object), revision: 4 } }];
    mount();
    await act(async () => {
      void people(3);
      void name("Spot");
      await hand.undo();
    });
    expect(seen).toEqual(["PATCH 1", "PATCH 2", "POST 3"]);
    expect(hand.revision).toBe(4);
  });
});

describe("several tabs", () => {
  /** Web Locks as far as they are used here: one holder a name, the others wait. */
  function locks() {
    const held = new Map<string, Promise<unknown>>();
    const request = async (name: string, ...rest: unknown[]) => {
      const work = rest.at(-1) as () => Promise<unknown>;
      const before = held.get(name) ?? Promise.resolve();
      const mine = before.then(() => work());
      held.set(name, mine);
      return mine;
    };
    vi.stubGlobal("navigator", { ...navigator, locks: { request } });
    return request;
  }

  it("one that is gone leaves its edits to the next, one that lives keeps them", async () => {
    const request = locks();
    let close = () => {};
    void request("bothy.tab.alive", () => new Promise<void>((resolve) => (close = resolve)));
    const left = (edit: string, value: unknown, path: string) => JSON.stringify([{ edit, ops: [{ op: "replace", path, value }], message: edit }]);
    localStorage.setItem("bothy.kept.v.alive", left("a", "Theirs", "/life/appliances/lamp/name"));
    localStorage.setItem("bothy.kept.v.gone", left("b", 7, "/life/people"));
    mount();
    await waitFor(() => expect(server.design.life.people).toBe(7));
    await waitFor(() => expect(Object.keys(localStorage)).toEqual(["bothy.kept.v.alive"]));
    expect(server.design.life.appliances[0]!.name).toBe("Lamp");
    await act(async () => close());
    await waitFor(() => expect(server.design.life.appliances[0]!.name).toBe("Theirs"));
    await waitFor(() => expect(kept()).toEqual([]));
  });

  it("two lines of one name: both are taken, and what was said of the second follows it", async () => {
    answers = [
      () => {
        server.design.life.appliances.push({ id: "fridge", name: "Fridge" });
        server.revision += 1;
        return { status: 412, body: { error: { key: "revision", message: "moved" }, head: 2, changed: ["/life/appliances/fridge"] } };
      },
      (_, body) => {
        server.design.life.appliances.push(body.ops[0]!.value as never);
        server.revision += 1;
        return {
          status: 200,
          body: {
            revision: 3,
            can_undo: true,
            can_redo: false,
            design: server.design,
            recorded: state().recorded,
            change: { sections: {}, figures: {}, gone: [] },
          },
        };
      },
    ];
    mount();
    await act(async () => {
      const first = hand.edit([{ op: "add", path: "/life/appliances/-", value: { id: "fridge", name: "Fridge" } }], "added");
      const second = hand.edit([{ op: "replace", path: "/life/appliances/1/name", value: "Second fridge" }], "named");
      expect(await Promise.all([first, second])).toEqual([true, true]);
    });
    expect(server.design.life.appliances).toEqual([
      { id: "lamp", name: "Lamp" },
      { id: "fridge", name: "Fridge" },
      { id: "fridge-2", name: "Second fridge" },
    ]);
  });
});

describe("another tab was faster", () => {
  const meanwhile = (path: string, change: () => void) => () => {
    change();
    server.revision += 1;
    return { status: 412, body: { error: { key: "revision", message: "moved" }, head: server.revision, changed: [path] } };
  };

  it("on another item: the edit follows on top of it", async () => {
    answers = [
      meanwhile("/life/appliances/lamp/name", () => {
        server.design.life.appliances[0]!.name = "Theirs";
      }),
    ];
    mount();
    await act(async () => {
      expect(await people(4)).toBe(true);
    });
    expect(server.design.life).toMatchObject({ people: 4, appliances: [{ name: "Theirs" }] });
    expect(hand.conflict).toBeNull();
  });

  it("on the same item: it stops and asks, and mine suggested", async () => {
    answers = [
      meanwhile("/life/people", () => {
        server.design.life.people = 9;
      }),
    ];
    mount();
    act(() => {
      void people(4);
    });
    await waitFor(() => expect(hand.conflict).toMatchObject({ path: "/life/people", mine: 4, theirs: 9 }));
    expect(hand.saving).toBe("conflict");
    expect(server.design.life.people).toBe(9);
    act(() => hand.resolve(true));
    await waitFor(() => expect(server.design.life.people).toBe(4));
  });

  it("on the same item: theirs suggested", async () => {
    answers = [
      meanwhile("/life/people", () => {
        server.design.life.people = 9;
      }),
    ];
    mount();
    act(() => {
      void people(4);
    });
    await waitFor(() => expect(hand.conflict).not.toBeNull());
    act(() => hand.resolve(false));
    await waitFor(() => expect(hand.saving).toBe("saved"));
    expect(hand.design.life?.people).toBe(9);
    expect(server.design.life.people).toBe(9);
  });

  it("and removed the item: the edit is refused with words", async () => {
    answers = [
      meanwhile("/life/appliances/lamp", () => {
        server.design.life.appliances = [];
      }),
    ];
    mount();
    act(() => {
      void name("Spot");
    });
    await waitFor(() => expect(hand.conflict ?? hand.rejection).not.toBeNull());
    expect(hand.conflict?.theirs ?? "removed").toBe("removed");
  });
});

describe("a report with a change laid over it", () => {
  it("replaces sections, figures, and forgets what is gone", () => {
    const old = { region_name: "UK", findings: [1], figures: { a: 1, b: 2 } } as never;
    const next = overlaid(old, { sections: { findings: [2] }, figures: { b: 3, c: 4 }, gone: ["a"] } as never);
    expect(next).toEqual({ region_name: "UK", findings: [2], figures: { b: 3, c: 4 } });
  });
});

describe("what was measured", () => {
  const read = (value: number) => hand.edit([{ op: "add", path: "/facts/readings/-", value: { circuit: "c1", current_a: value } }], "reading");
  const heads: Record<string, string | null>[] = [];
  const takenDown = (request: Request, body: { ops: { value: unknown }[] }): Answer => {
    heads.push({ revision: request.headers.get("If-Match"), facts: request.headers.get("Facts-Match") });
    const recorded = { building: true, building_name: "n", number: 1, facts: { readings: [body.ops[0]!.value] } };
    return {
      status: 200,
      body: { revision: 1, can_undo: false, can_redo: false, design: server.design, recorded, change: { sections: {}, figures: {}, gone: [] } },
    };
  };
  beforeEach(() => {
    heads.length = 0;
    (server as { recorded?: unknown }).recorded = { building: true, building_name: "n", number: 0, facts: { readings: [] } };
  });

  it("shows at once, is kept while the server is away, and makes no revision", async () => {
    answers = [() => ({ status: 0, body: null }), takenDown as never];
    mount();
    let done: Promise<boolean> = Promise.resolve(false);
    act(() => {
      done = read(4.1);
    });
    expect(hand.design.facts.readings).toEqual([{ circuit: "c1", current_a: 4.1 }]);
    await waitFor(() => expect(hand.saving).toBe("kept"));
    expect(kept()[0]).toHaveLength(1);
    const before = hand.stamp;
    expect(await done).toBe(true);
    await waitFor(() => expect(hand.saving).toBe("saved"));
    expect(heads).toEqual([{ revision: "1", facts: "0" }]);
    expect(hand.revision).toBe(1);
    expect(hand.stamp).not.toBe(before);
    expect(hand.design.facts.readings).toEqual([{ circuit: "c1", current_a: 4.1 }]);
  });

  it("follows on top of what another tab took down", async () => {
    answers = [
      () => {
        (server as { recorded?: unknown }).recorded = { building: true, building_name: "n", number: 1, facts: { readings: [{ circuit: "c2", current_a: 1 }] } };
        return { status: 412, body: { error: { key: "facts", message: "moved" }, head: 1, changed: ["/facts/readings/c2"] } };
      },
      takenDown as never,
    ];
    mount();
    await act(async () => {
      expect(await read(4.1)).toBe(true);
    });
    expect(heads).toEqual([{ revision: "1", facts: "1" }]);
    expect(hand.conflict).toBeNull();
  });
});
