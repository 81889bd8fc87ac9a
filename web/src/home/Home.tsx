import { useRef, useState } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { Copy, Download, FileUp, Plus, Trash2 } from "lucide-react";
import { Refused, request } from "../api/client";
import { useProjects } from "../api/hooks";
import type { ModelView, ProjectEntry } from "../api/types";
import { go } from "../ui/address";
import { saveFile } from "../ui/saveFile";
import { Screen } from "../ui/Screen";
import { ShapePicture } from "./ShapePicture";

export function Home() {
  const { data, error, isLoading } = useProjects();
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const [name, setName] = useState("");

  async function attempt(action: () => Promise<unknown>) {
    try {
      await action();
      setProblem(null);
      // A list that is still on its way was asked for before this change.
      await client.cancelQueries({ queryKey: ["projects"] });
      await client.invalidateQueries({ queryKey: ["projects"] });
    } catch (e) {
      setProblem(e instanceof Refused ? [e.message, e.cure].filter(Boolean).join(". ") : String(e));
    }
  }

  async function create() {
    await request("POST", "/api/projects", { name });
    setName("");
  }

  return (
    <Screen>
        <form
          className="mb-8 flex items-center gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            void attempt(create);
          }}
        >
          <label className="sr-only" htmlFor="project-name">
            Name of a new project
          </label>
          <input
            id="project-name"
            className="w-72 rounded-md border border-rule bg-white px-3 py-1.5 font-serif text-[15px]"
            placeholder="Name of a new project"
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
          <button className="button-strong" disabled={!name.trim()}>
            <Plus className="size-4" /> New project
          </button>
        </form>
        {problem && <p role="alert" className="mb-4 text-vermilion">{problem}</p>}
        {error && <p role="alert" className="text-vermilion">{error.message}</p>}
        {isLoading && <p className="text-faint">Reading the projects…</p>}
        {data?.projects.length === 0 && (
          <p className="font-serif text-[16px] text-faint">
            Nothing here yet. Name a project above; a model in it is a note that you write, statement by statement.
          </p>
        )}
        {data?.projects.map((project) => <Project key={project.id} project={project} attempt={attempt} />)}
    </Screen>
  );
}

function Project({ project, attempt }: { project: ProjectEntry; attempt: (action: () => Promise<unknown>) => Promise<void> }) {
  const file = useRef<HTMLInputElement>(null);

  async function add(body: { name: string } | { document: unknown }) {
    const view = await request<ModelView>("POST", `/api/projects/${project.id}/models`, body);
    go(`/models/${view.id}`);
  }

  async function read(chosen: File) {
    let document: unknown;
    try {
      document = JSON.parse(await chosen.text());
    } catch {
      throw new Refused(`“${chosen.name}” is not a model document`, 422, "Choose a JSON file written by Gentle Lattice");
    }
    await add({ document });
  }

  return (
    <section className="mb-10" aria-label={project.name}>
      <div className="mb-3 flex items-baseline gap-3 border-b border-rule pb-1">
        <h2 className="font-serif text-[20px]">{project.name}</h2>
        <span className="text-[12px] text-faint">
          {project.models.length} {project.models.length === 1 ? "model" : "models"}
        </span>
        <div className="ml-auto flex gap-1">
          <button className="button" onClick={() => void attempt(() => add({ name: "Untitled model" }))}>
            <Plus className="size-3.5" /> New model
          </button>
          <button className="button" onClick={() => file.current?.click()}>
            <FileUp className="size-3.5" /> Import
          </button>
          <input
            ref={file}
            type="file"
            accept=".json,application/json"
            className="hidden"
            aria-label={`Import a model into ${project.name}`}
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              event.target.value = "";
              if (chosen) void attempt(() => read(chosen));
            }}
          />
        </div>
      </div>
      <div className="grid grid-cols-3 gap-4">
        {project.models.map((model) => (
          <article key={model.id} className="group overflow-hidden rounded-lg border border-rule bg-white">
            <a
              href={`/models/${model.id}`}
              className="block"
              onClick={(event) => {
                event.preventDefault();
                go(`/models/${model.id}`);
              }}
            >
              <ShapePicture id={model.id} />
              <div className="px-3 pb-1 pt-2 font-serif text-[15px]">{model.name}</div>
            </a>
            <div className="flex items-center px-3 pb-2 text-[12px]">
              <Verdict {...model.verdict} />
              <time className="ml-auto whitespace-nowrap text-faint" dateTime={model.changed_at} title={new Date(model.changed_at).toLocaleString()}>
                {new Date(model.changed_at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" })}
              </time>
              <CopyButton id={model.id} name={model.name} project={project.id} attempt={attempt} />
              <ExportButton id={model.id} name={model.name} attempt={attempt} />
              <DeleteButton id={model.id} name={model.name} attempt={attempt} />
            </div>
          </article>
        ))}
        {project.models.length === 0 && <p className="col-span-3 text-faint">No model yet: begin with “New model”.</p>}
      </div>
    </section>
  );
}

export function Verdict({ hold, fail, stale, studies, fault }: { hold: number; fail: number; stale: number; studies: number; fault?: string }) {
  if (fault) return <span className="truncate text-vermilion" title={fault}>cannot be shown: open it to mend it</span>;
  if (studies === 0) return <span className="text-faint">no study yet</span>;
  return (
    <span className="flex gap-2">
      {hold > 0 && <span className="font-semibold text-spruce">{hold} {hold === 1 ? "holds" : "hold"}</span>}
      {fail > 0 && <span className="font-semibold text-vermilion">{fail} {fail === 1 ? "fails" : "fail"}</span>}
      {stale > 0 && <span className="text-amber-ink">{stale} to solve</span>}
    </span>
  );
}

interface ActionProps {
  id: string;
  name: string;
  attempt: (action: () => Promise<unknown>) => Promise<void>;
}

/** A copy in the same project; every result that still applies comes along. */
function CopyButton({ id, name, project, attempt }: ActionProps & { project: string }) {
  async function copy() {
    const view = await request<ModelView>("GET", `/api/models/${id}`);
    await request("POST", `/api/projects/${project}/models`, { document: { ...view.document, name: `${view.document.name} copy` } });
  }
  return (
    <button className="ml-2 rounded p-1 text-faint hover:bg-glow hover:text-ink" aria-label={`Copy ${name}`} title="Make a copy" onClick={() => void attempt(copy)}>
      <Copy className="size-3.5" />
    </button>
  );
}

function ExportButton({ id, name, attempt }: ActionProps) {
  async function save() {
    const view = await request<ModelView>("GET", `/api/models/${id}`);
    saveFile(`${name.toLowerCase().replace(/[^a-z0-9]+/g, "-")}.json`, JSON.stringify(view.document, null, 2), "application/json");
  }
  return (
    <button className="rounded p-1 text-faint hover:bg-glow hover:text-ink" aria-label={`Export ${name}`} title="Export as a file" onClick={() => void attempt(save)}>
      <Download className="size-3.5" />
    </button>
  );
}

/** Asks once more in place before anything goes. */
function DeleteButton({ id, name, attempt }: ActionProps) {
  const [sure, setSure] = useState(false);
  if (!sure) {
    return (
      <button className="rounded p-1 text-faint hover:bg-glow hover:text-vermilion" aria-label={`Delete ${name}`} title="Delete" onClick={() => setSure(true)}>
        <Trash2 className="size-3.5" />
      </button>
    );
  }
  return (
    <button
      className="ml-1 rounded bg-vermilion px-1.5 text-white"
      autoFocus
      onBlur={() => setSure(false)}
      onClick={() => void attempt(() => request("DELETE", `/api/models/${id}`))}
    >
      Delete for good
    </button>
  );
}
