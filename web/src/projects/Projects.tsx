/** The list of projects: make one, open one, bring one in, take one out, put one away (and back). */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { AlertDialog } from "radix-ui";
import { useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { type ApiError, api, type Schemas, sendBytes, take } from "../data/client";
import { PRESETS, REGIONS } from "../stages/vehicle/words";
import { says } from "../words/projects";

type Project = Schemas["ProjectItem"];

function NewProject() {
  const go = useNavigate();
  const [name, setName] = useState("");
  const [preset, setPreset] = useState("panel_van");
  const [region, setRegion] = useState("uk");
  const [problem, setProblem] = useState<string | null>(null);
  const make = async () => {
    if (!name.trim()) return setProblem(says("give-name-example-what"));
    if (name.trim().length > 120) return setProblem(says("name-has-characters-most", { name_count: name.trim().length }));
    try {
      const made = await take(api.POST("/api/projects", { body: { name: name.trim(), preset: preset as "bus", region: region as "uk" } }));
      const all = await take(api.GET("/api/projects"));
      const variant = all.find((p) => p.id === made.id)?.variants[0];
      if (variant) go(`/v/${variant.id}/vehicle`);
    } catch (e) {
      setProblem((e as ApiError).message);
    }
  };
  return (
    <form
      className="border border-line bg-sheet p-4 text-[15px] leading-loose"
      onSubmit={(e) => {
        e.preventDefault();
        void make();
      }}
    >
      {says("begin")}{" "}
      <select className="field max-w-full" aria-label={says("kind-vehicle")} value={preset} onChange={(e) => setPreset(e.target.value)}>
        {PRESETS.map((p) => (
          <option key={p.value} value={p.value}>
            {p.word}
          </option>
        ))}
      </select>{" "}
      in{" "}
      <select className="field max-w-full" aria-label={says("region")} value={region} onChange={(e) => setRegion(e.target.value)}>
        {REGIONS.map((p) => (
          <option key={p.value} value={p.value}>
            {p.word}
          </option>
        ))}
      </select>{" "}
      {says("called")}{" "}
      <input
        className="field w-56 max-w-full"
        aria-label={says("name-project")}
        placeholder={says("name")}
        value={name}
        onChange={(e) => setName(e.target.value)}
      />{" "}
      <button type="submit" className="btn btn-main">
        {says("begin-2")}
      </button>
      {problem && (
        <p className="m-0 text-rust" role="alert">
          {problem}
        </p>
      )}
    </form>
  );
}

function Row({ project, changed, onDelete }: { project: Project; changed: () => void; onDelete: (p: Project) => void }) {
  const [naming, setNaming] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const rename = async () => {
    if (naming === null || naming.trim() === project.name || !naming.trim()) return setNaming(null);
    try {
      await take(api.PATCH("/api/projects/{project_id}", { params: { path: { project_id: project.id } }, body: { name: naming.trim() } }));
      setNaming(null);
      changed();
    } catch (e) {
      setProblem((e as ApiError).message);
    }
  };
  const copy = async (variant: string) => {
    const name = says("copy", { variants_count: project.variants.length });
    await take(api.POST("/api/variants/{variant_id}/copy", { params: { path: { variant_id: variant } }, body: { name, ops: [] } }));
    changed();
  };
  const whole = async (facts: boolean) => {
    setProblem(null);
    try {
      await take(api.POST("/api/projects/{project_id}/copy", { params: { path: { project_id: project.id } }, body: { facts, name: null } }));
      changed();
    } catch (e) {
      setProblem((e as ApiError).message);
    }
  };
  return (
    <tr className="border-b border-line align-top">
      <td className="py-2 pr-3">
        {naming !== null ? (
          <input
            className="field"
            aria-label={says("name-2")}
            // biome-ignore lint/a11y/noAutofocus: renaming puts the caret into the name
            autoFocus
            value={naming}
            onChange={(e) => setNaming(e.target.value)}
            onBlur={() => void rename()}
            onKeyDown={(e) => (e.key === "Enter" ? void rename() : e.key === "Escape" && setNaming(null))}
          />
        ) : (
          <span className="break-words font-display text-[16px] font-semibold">{project.name}</span>
        )}
        {project.demo && <span className="ml-2 whitespace-nowrap border border-line px-1 text-[11px] text-dim">{says("demo-made-up")}</span>}
        {problem && (
          <div role="alert" className="text-rust">
            {problem}
          </div>
        )}
      </td>
      <td className="py-2 pr-3">
        {project.variants.map((v) => (
          <div key={v.id} className="flex gap-2">
            <Link className="text-loch underline" to={`/v/${v.id}/vehicle`} aria-label={says("open", { project: project.name, name: v.name })}>
              {v.name}
            </Link>
            <span className="num text-dim">r{v.revision}</span>
            <button type="button" className="text-[12px] text-dim underline" onClick={() => void copy(v.id)}>
              {says("copy-variant")}
            </button>
          </div>
        ))}
      </td>
      <td className="num py-2 pr-3 text-dim max-[899px]:hidden">{new Date(`${project.updated_at}Z`).toLocaleString()}</td>
      <td className="py-2 text-right min-[900px]:whitespace-nowrap">
        {project.variants.length > 1 && (
          <Link className="btn mr-1 no-underline" to={`/compare?a=${project.variants[0]!.id}&b=${project.variants.at(-1)!.id}`}>
            {says("compare")}
          </Link>
        )}
        <select
          className="field mr-1 w-24"
          aria-label={says("copy-2", { project: project.name })}
          value=""
          onChange={(e) => {
            void whole(e.target.value === "facts");
            e.target.value = "";
          }}
        >
          <option value="">{says("copy-3")}</option>
          <option value="facts">{says("all-was-measured")}</option>
          <option value="anew">{says("another-vehicle-nothing-measured")}</option>
        </select>
        <button type="button" className="btn mr-1" onClick={() => setNaming(project.name)}>
          {says("rename")}
        </button>
        <a className="btn mr-1 no-underline" href={`/api/projects/${project.id}/file`} download>
          {says("export")}
        </a>
        <a className="btn mr-1 no-underline" href={`/api/projects/${project.id}/archive`} download title={says("project-photographs-one-zip")}>
          {says("photos")}
        </a>
        <button type="button" className="btn" onClick={() => onDelete(project)}>
          {says("delete")}
        </button>
      </td>
    </tr>
  );
}

/** What was deleted and can still be brought back. */
function PutAway({ changed, stamp }: { changed: () => void; stamp: number }) {
  const away = useQuery({ queryKey: ["put-away", stamp], queryFn: () => take(api.GET("/api/projects/put-away")) });
  if (!away.data?.length) return null;
  return (
    <details className="mt-4 text-[13px]">
      <summary className="cursor-pointer">{says("deleted-still-had", { data_count: away.data.length })}</summary>
      <ul className="m-0 list-none p-0">
        {away.data.map((p) => (
          <li key={p.id} className="flex gap-2 py-0.5">
            <span>{p.name}</span>
            <span className="text-dim">{p.days_left == null ? says("demo") : says("gone-good-days", { days_left: p.days_left })}</span>
            <button
              type="button"
              className="text-loch underline"
              onClick={() => void take(api.POST("/api/projects/{project_id}/restore", { params: { path: { project_id: p.id } } })).then(changed)}
            >
              {says("bring-back", { name: p.name })}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

const OLD_DAYS = 14;

/** Reminds of a backup once there is something to lose, and the last one is old. */
function BackedUp({ any }: { any: boolean }) {
  const backup = useQuery({ queryKey: ["backup"], queryFn: () => take(api.GET("/api/backup")), staleTime: 0 });
  if (!any || !backup.data?.known) return null;
  const days = backup.data.last ? Math.floor((Date.now() - new Date(backup.data.last).getTime()) / 86_400_000) : null;
  if (days !== null && days <= OLD_DAYS) return <p className="m-0 text-[13px] text-dim">{says("last-backup-today-days", { days_is_0: days === 0, days })}</p>;
  return (
    <p role="note" className="m-0 mb-1 border-l-2 border-gorse pl-2 text-[13px]">
      {says("nothing-backed-up-yet", { no_days: days === null, days: days ?? 0 })} <code>{says("bothy-backup-safe-place")}</code>
      {says("best-another-disk")}
    </p>
  );
}

export function Component() {
  const client = useQueryClient();
  const go = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const [doomed, setDoomed] = useState<Project | null>(null);
  const [gone, setGone] = useState<Project | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const list = useQuery({ queryKey: ["projects"], queryFn: () => take(api.GET("/api/projects")), staleTime: 0 });
  const changed = () => void client.invalidateQueries({ queryKey: ["projects"] });

  const bring = async (chosen: File | undefined) => {
    if (!chosen) return;
    setProblem(null);
    try {
      if (/\.zip$/i.test(chosen.name)) {
        const made = await sendBytes<Schemas["Made"]>("/api/projects/archive", chosen, "application/zip", says("wasnt-taken"));
        changed();
        go(`/v/${made.variant_id}/vehicle`);
        return;
      }
      if (chosen.size > 8_000_000) throw new Error(says("mb-project-file-has", { chosen_count: chosen.size / 1e6 }));
      const made = await take(api.POST("/api/projects/import", { body: { text: await chosen.text() } }));
      changed();
      go(`/v/${made.variant_id}/vehicle`);
    } catch (e) {
      setProblem(`${chosen.name}: ${(e as Error).message}`);
    } finally {
      if (file.current) file.current.value = "";
    }
  };
  const putAway = async () => {
    if (!doomed) return;
    await take(api.DELETE("/api/projects/{project_id}", { params: { path: { project_id: doomed.id } } }));
    setGone(doomed);
    setDoomed(null);
    changed();
  };
  const back = async () => {
    if (!gone) return;
    await take(api.POST("/api/projects/{project_id}/restore", { params: { path: { project_id: gone.id } } }));
    setGone(null);
    changed();
  };

  return (
    <main className="mx-auto h-full max-w-6xl overflow-y-auto p-6" aria-label={says("projects")}>
      <div className="flex flex-wrap items-baseline justify-between gap-2">
        <h1 className="m-0 font-display text-3xl font-semibold">{says("bothy")}</h1>
        <span className="flex gap-2">
          <button type="button" className="btn" onClick={() => go("/sums")}>
            {says("quick-calculations")}
          </button>
          <button type="button" className="btn" onClick={() => go("/method")}>
            {says("how-calculated")}
          </button>
          <button type="button" className="btn" onClick={() => file.current?.click()}>
            {says("import-project-file")}
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,.zip,application/json,application/zip"
            className="sr-only"
            tabIndex={-1}
            aria-label={says("project-file")}
            onChange={(e) => void bring(e.target.files?.[0])}
          />
        </span>
      </div>
      <p className="mb-4 mt-1 text-dim">{says("one-model-vehicle-every")}</p>
      <NewProject />
      <p className="mt-2 max-w-3xl text-[13px] text-dim">
        {says("way-through")} <strong>{says("vehicle")}</strong> {says("what-you-work")} <strong>{says("daily-use")}</strong> {says("what-will-run")}{" "}
        <strong>{says("power")}</strong> {says("what-supplies")} <strong>{says("trips")}</strong> {says("will-last")} <strong>{says("wiring")}</strong>{" "}
        {says("which-cable-fuse")} <strong>{says("heat-air")}</strong>, <strong>{says("water")}</strong>, <strong>{says("gas")}</strong>,{" "}
        <strong>{says("layout-weight")}</strong> {says("where-stands")} <strong>{says("build")}</strong> {says("what-next")} <strong>{says("test")}</strong>{" "}
        {says("safe-does-do-what")} <strong>{says("hand-over")}</strong> {says("papers-go-whatever-you")}{" "}
        <span className="text-heather underline decoration-dotted">{says("purple-dots-under")}</span>.
      </p>
      {problem && (
        <p role="alert" className="mt-3 border border-rust p-2 text-rust">
          {says("not-taken", { problem })}
        </p>
      )}
      {gone && (
        <p role="status" className="mt-3 border border-line p-2">
          {says("was-deleted", { gone: gone.name })}{" "}
          <button type="button" className="text-loch underline" onClick={() => void back()}>
            {says("undo")}
          </button>
        </p>
      )}
      <h2 className="mb-1 mt-6 font-display text-lg">{says("projects")}</h2>
      <BackedUp any={(list.data ?? []).some((p) => !p.demo)} />
      {list.isPending && <p role="status">{says("looking")}</p>}
      {list.isError && (
        <p role="alert" className="text-rust">
          {(list.error as Error).message}{" "}
          <button type="button" className="underline" onClick={() => void list.refetch()}>
            {says("try-again")}
          </button>
        </p>
      )}
      {list.data?.length === 0 && <p className="text-dim">{says("none-yet-name-your")}</p>}
      {!!list.data?.length && (
        <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={says("list-projects")}>
          <table className="w-full border-collapse">
            <thead className="text-left text-[12px] text-dim">
              <tr>
                <th scope="col">{says("project")}</th>
                <th scope="col">{says("variants")}</th>
                <th scope="col" className="max-[899px]:hidden">
                  {says("last-change")}
                </th>
                <th scope="col">
                  <span className="sr-only">{says("actions")}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {list.data.map((p) => (
                <Row key={p.id} project={p} changed={changed} onDelete={setDoomed} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      <PutAway changed={changed} stamp={list.dataUpdatedAt} />
      <AlertDialog.Root open={doomed !== null} onOpenChange={(on) => !on && setDoomed(null)}>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 bg-peat/40" />
          <AlertDialog.Content className="fixed left-1/2 top-1/3 w-96 -translate-x-1/2 border border-peat bg-sheet p-4 text-peat">
            <AlertDialog.Title className="m-0 font-display text-lg">{says("delete-2", { doomed: doomed?.name ?? "" })}</AlertDialog.Title>
            <AlertDialog.Description>{says("leaves-list-all-variants")}</AlertDialog.Description>
            <div className="flex justify-end gap-2">
              <AlertDialog.Cancel className="btn">{says("keep")}</AlertDialog.Cancel>
              <AlertDialog.Action className="btn btn-main" onClick={() => void putAway()}>
                {says("delete-3")}
              </AlertDialog.Action>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
    </main>
  );
}
