/** The list of projects: making, opening, renaming, copying, bringing in, putting away and taking back; and a design that can't be opened. */
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { createMemoryRouter, RouterProvider, useLocation } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Component as Projects } from "../src/projects/Projects";
import { VariantRoute } from "../src/shell/Frame";
import { calls, serve } from "./mounted";

const project = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  demo: null,
  updated_at: "2026-11-20T10:00:00",
  variants: [{ id: `${id}-v`, name: "as planned", revision: 3 }],
  ...more,
});
let where = "";

function Where() {
  where = useLocation().pathname;
  return null;
}

function open(path = "/") {
  const here = (child: React.ReactNode) => (
    <>
      <Where />
      {child}
    </>
  );
  const router = createMemoryRouter(
    [
      { path: "/", element: here(<Projects />) },
      { path: "/v/:variantId", element: here(<VariantRoute />) },
      { path: "*", element: here(null) },
    ],
    { initialEntries: [path] },
  );
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <RouterProvider router={router} />
    </QueryClientProvider>,
  );
}
const asked = (method: string, path: string) => calls.filter((c) => c.method === method && c.path === path);

beforeEach(() => {
  where = "";
  serve({ "GET /api/projects": [project("a", "Curlew", { demo: "curlew" }), project("b", "Tern")] });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe("the list", () => {
  it("names each project with its variants, and marks what is made up", async () => {
    open();
    const curlew = await screen.findByRole("row", { name: /^Curlew/ });
    expect(curlew.textContent).toContain("demo, made up");
    expect(within(curlew).getByRole("link", { name: "Open Curlew, as planned" }).getAttribute("href")).toBe("/v/a-v/vehicle");
    expect(screen.getByRole("row", { name: /^Tern/ }).textContent).not.toContain("made up");
    expect(within(curlew).getByRole("link", { name: "Export" }).getAttribute("href")).toBe("/api/projects/a/file");
  });
  it("says how to begin while it is empty", async () => {
    serve({ "GET /api/projects": [] });
    open();
    expect(await screen.findByText(/None yet\. Name your vehicle above/)).toBeTruthy();
  });
  it("leads to the sums", async () => {
    open();
    fireEvent.click(screen.getByRole("button", { name: "Quick calculations" }));
    await waitFor(() => expect(where).toBe("/sums"));
  });
});

describe("a new project", () => {
  const begin = (name: string) => {
    fireEvent.change(screen.getByLabelText("Name of the project"), { target: { value: name } });
    fireEvent.click(screen.getByRole("button", { name: "Begin" }));
  };
  it("wants a name of some length, and says so where it is typed", async () => {
    open();
    begin("   ");
    expect((await screen.findByRole("alert")).textContent).toContain("Give it a name");
    begin("x".repeat(121));
    expect(screen.getByRole("alert").textContent).toContain("has 121 characters; at most 120");
    expect(asked("POST", "/api/projects")).toHaveLength(0);
  });
  it("is made with its kind and region and opened", async () => {
    serve({ "POST /api/projects": { id: "n" }, "GET /api/projects": [project("n", "Knot")] });
    open();
    fireEvent.change(screen.getByLabelText("Kind of vehicle"), { target: { value: "bus" } });
    fireEvent.change(screen.getByLabelText("Region"), { target: { value: "au" } });
    begin(" Knot ");
    await waitFor(() => expect(where).toBe("/v/n-v/vehicle"));
    expect(asked("POST", "/api/projects")[0]?.body).toEqual({ name: "Knot", preset: "bus", region: "au" });
  });
});

describe("a project", () => {
  const row = async (name: string) => screen.findByRole("row", { name: new RegExp(`^${name}`) });
  it("is copied with its record, or begun anew, and says why not", async () => {
    serve({ "POST /api/projects/b/copy": { id: "n", variant_id: "nv" }, "GET /api/projects": [project("b", "Tern")] });
    open();
    const select = within(await row("Tern")).getByLabelText("Copy Tern");
    fireEvent.change(select, { target: { value: "facts" } });
    fireEvent.change(select, { target: { value: "anew" } });
    await waitFor(() =>
      expect(asked("POST", "/api/projects/b/copy").map((c) => c.body)).toEqual([
        { facts: true, name: null },
        { facts: false, name: null },
      ]),
    );
    serve({
      "POST /api/projects/b/copy": { status: 422, body: { error: { key: "variants", message: "can't be read" } } },
      "GET /api/projects": [project("b", "Tern")],
    });
    fireEvent.change(select, { target: { value: "facts" } });
    expect((await within(await row("Tern")).findByRole("alert")).textContent).toContain("can't be read");
  });
  it("is renamed with Enter and left as it was with Escape", async () => {
    serve({ "PATCH /api/projects/b": null, "GET /api/projects": [project("b", "Tern")] });
    open();
    fireEvent.click(within(await row("Tern")).getByRole("button", { name: "Rename" }));
    const field = screen.getByLabelText("Name");
    fireEvent.change(field, { target: { value: "Arctic tern" } });
    fireEvent.keyDown(field, { key: "Enter" });
    await waitFor(() => expect(asked("PATCH", "/api/projects/b").map((c) => c.body)).toEqual([{ name: "Arctic tern" }]));
    fireEvent.click(within(await row("Tern")).getByRole("button", { name: "Rename" }));
    fireEvent.change(screen.getByLabelText("Name"), { target: { value: "Gull" } });
    fireEvent.keyDown(screen.getByLabelText("Name"), { key: "Escape" });
    expect(screen.queryByLabelText("Name")).toBeNull();
    expect(asked("PATCH", "/api/projects/b")).toHaveLength(1);
  });
  it("is copied as a variant", async () => {
    serve({ "POST /api/variants/b-v/copy": { id: "c" }, "GET /api/projects": [project("b", "Tern")] });
    open();
    fireEvent.click(within(await row("Tern")).getByRole("button", { name: "copy as a variant" }));
    await waitFor(() => expect(asked("POST", "/api/variants/b-v/copy").map((c) => c.body)).toEqual([{ name: "copy 1", ops: [] }]));
  });
  it("is put away only after a question, and can be taken back", async () => {
    serve({ "DELETE /api/projects/b": null, "POST /api/projects/b/restore": null, "GET /api/projects": [project("b", "Tern")] });
    open();
    fireEvent.click(within(await row("Tern")).getByRole("button", { name: "Delete…" }));
    const dialog = await screen.findByRole("alertdialog");
    expect(dialog.textContent).toContain("Delete Tern?");
    fireEvent.click(within(dialog).getByRole("button", { name: "Keep it" }));
    expect(asked("DELETE", "/api/projects/b")).toHaveLength(0);
    fireEvent.click(within(await row("Tern")).getByRole("button", { name: "Delete…" }));
    fireEvent.click(within(await screen.findByRole("alertdialog")).getByRole("button", { name: "Delete" }));
    fireEvent.click(await screen.findByRole("button", { name: "Undo" }));
    await waitFor(() => expect(asked("POST", "/api/projects/b/restore")).toHaveLength(1));
    await waitFor(() => expect(screen.queryByText(/was put away/)).toBeNull());
  });
});

describe("a file", () => {
  const bring = (file: File) => fireEvent.change(screen.getByLabelText("Project file"), { target: { files: [file] } });
  it("is brought in, and one that is too large is refused before it is read", async () => {
    serve({ "POST /api/projects/import": { id: "n", variant_id: "v" }, "GET /api/projects": [] });
    open();
    bring(new File(['{"format": "bothy"}'], "tern.json"));
    await waitFor(() => expect(asked("POST", "/api/projects/import").map((c) => c.body)).toEqual([{ text: '{"format": "bothy"}' }]));
    await waitFor(() => expect(where).toBe("/v/v/vehicle"));
    cleanup();
    open();
    const large = new File(["x"], "huge.json");
    Object.defineProperty(large, "size", { value: 9_000_000 });
    bring(large);
    expect((await screen.findByRole("alert")).textContent).toContain("huge.json: is 9.0 MB; a project file has at most 8 MB");
    expect(asked("POST", "/api/projects/import")).toHaveLength(1);
  });
});

describe("a design that can't be opened", () => {
  it("says why and leads back", async () => {
    const gone = { error: { code: "not_found", key: "variant_id", message: "there is no such variant" } };
    vi.stubGlobal(
      "fetch",
      vi.fn(async (request: Request) =>
        new URL(request.url).pathname.startsWith("/api/variants")
          ? new Response(JSON.stringify(gone), { status: 404, headers: { "content-type": "application/json" } })
          : new Response("[]", { headers: { "content-type": "application/json" } }),
      ),
    );
    open("/v/nowhere");
    const alert = await screen.findByRole("alert");
    expect(alert.textContent).toContain("This design cannot be opened: there is no such variant");
    fireEvent.click(within(alert).getByRole("link", { name: "Back to the projects" }));
    await waitFor(() => expect(where).toBe("/"));
  });
});
