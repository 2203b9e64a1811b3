/** The method's page, and sources that open it. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { createMemoryRouter, RouterProvider } from "react-router";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { Component as Method } from "../src/method/Method";
import { Sources, sectionPath } from "../src/method/Sources";
import { PersonProvider } from "../src/shell/person";

const section = (id: string, title: string, more = {}) => ({
  id,
  title,
  text: [`What ${title.toLowerCase()} is.`],
  formula: ["U = R·I"],
  symbols: "U in V",
  holds: "always",
  after: "Ohm's law",
  typical: "",
  examples: [],
  ...more,
});
const EXAMPLE = { calculator: "voltage-drop", title: "Voltage drop", given: [{ label: "length", value: "5 m" }], found: [{ label: "drop", value: "0.626 V" }] };
const PAGES = [
  { field: "power", title: "Power", intro: "What a day uses.", sections: [section("power.bank-size", "Bank’s size")] },
  {
    field: "wiring",
    title: "Wiring",
    intro: "",
    sections: [section("wiring.fuse", "Fuse"), section("wiring.voltage-drop", "Voltage drop", { examples: [EXAMPLE] })],
  },
];

function open(at: string) {
  const router = createMemoryRouter(
    [
      { path: "/method/:field", element: <Method /> },
      {
        path: "/",
        element: (
          <Sources
            of={[
              { kind: "method", text: "Fuse: blade", method: "wiring.fuse" },
              { kind: "standard", text: "ISO 8820", method: null },
            ]}
          />
        ),
      },
    ],
    { initialEntries: [at] },
  );
  render(
    <PersonProvider>
      <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </PersonProvider>,
  );
  return router;
}

beforeEach(() => {
  Element.prototype.scrollIntoView = vi.fn();
  vi.stubGlobal("fetch", async () => new Response(JSON.stringify(PAGES), { status: 200, headers: { "content-type": "application/json" } }));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

test("a source opens its section, which has the focus; a standard is only named", async () => {
  const router = open("/");
  expect(screen.queryByRole("link", { name: "ISO 8820" })).toBeNull();
  fireEvent.click(screen.getByRole("link", { name: "Fuse: blade" }));
  await vi.waitFor(() => expect(router.state.location.pathname + router.state.location.hash).toBe("/method/wiring#fuse"));
  const fuse = await screen.findByRole("region", { name: "Fuse" });
  expect(document.activeElement).toBe(fuse);
  expect(within(fuse).getByText("U = R·I")).toBeTruthy();
});

test("a section shows its formula, where it holds and a worked example that leads to the sum", async () => {
  open(sectionPath("wiring.voltage-drop"));
  const drop = await screen.findByRole("region", { name: "Voltage drop" });
  expect(within(drop).getByText("always")).toBeTruthy();
  expect(within(drop).queryByText("Typical")).toBeNull();
  fireEvent.click(within(drop).getByText(/Worked example/));
  expect(within(drop).getByRole("row", { name: "drop 0.626 V" })).toBeTruthy();
  expect(within(drop).getByRole("link", { name: "try your own values" }).getAttribute("href")).toBe("/sums/voltage-drop");
});

test("sections are found by words in all pages, and Enter opens the first", async () => {
  const router = open("/method/wiring");
  await screen.findByRole("region", { name: "Fuse" });
  const field = screen.getByRole("textbox", { name: "Find a section" });
  fireEvent.change(field, { target: { value: "bank size" } });
  fireEvent.keyDown(field, { key: "Enter" });
  await vi.waitFor(() => expect(router.state.location.pathname + router.state.location.hash).toBe("/method/power#bank-size"));
  fireEvent.change(field, { target: { value: "zebra" } });
  expect(screen.getByText("No section speaks of that.")).toBeTruthy();
});

test("a page that isn't there says so", async () => {
  open("/method/music");
  expect((await screen.findByRole("alert")).textContent).toContain("music");
});
