import { useCallback, useEffect } from "react";
import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { request, requestArrays, Refused } from "./client";
import type { LibraryMaterial, LibrarySection, MeasureLine, MeshChoice, Model, ModelView, PlaceKey, ProjectEntry, Quality, Run, ShapeMeta } from "./types";
import { useDesk } from "../workspace/desk";

export function useProjects() {
  return useQuery({ queryKey: ["projects"], queryFn: () => request<{ projects: ProjectEntry[] }>("GET", "/api/projects") });
}

export interface FatigueCurve {
  name: string;
  /** Cycles, and amplitude in Pa. */
  points: [number, number][];
  endurance: number | null;
  source: string;
}

export function useFatigueCurves() {
  return useQuery({
    queryKey: ["fatigue-curves"],
    queryFn: () => request<{ curves: FatigueCurve[] }>("GET", "/api/fatigue-curves"),
    staleTime: Infinity,
  });
}

export function useMaterials() {
  return useQuery({
    queryKey: ["materials"],
    queryFn: () => request<{ materials: LibraryMaterial[] }>("GET", "/api/materials"),
    staleTime: Infinity,
  });
}

/** Cross-sections that ship, and those of one's own. */
export function useSections() {
  return useQuery({ queryKey: ["sections"], queryFn: () => request<{ sections: LibrarySection[]; source: string }>("GET", "/api/sections"), staleTime: 60_000 });
}

/** Keeps an entry of one's own in a part of the library, or lets go of it. */
function useOwn<Entry>(part: "materials" | "sections" | "bolts") {
  const client = useQueryClient();
  const after = () => client.invalidateQueries({ queryKey: [part] });
  return {
    put: (entry: Entry) => request<Entry>("PUT", `/api/${part}`, entry).then(after),
    drop: (name: string) => request("DELETE", `/api/${part}/${encodeURIComponent(name)}`).then(after),
  };
}

export const useOwnMaterials = () => useOwn<LibraryMaterial>("materials");
export const useOwnSections = () => useOwn<LibrarySection>("sections");

export const useOwnBolts = () => useOwn<LibraryBolt>("bolts");

/** A bolt of one's own: its thread and what it bears, as typed. */
export interface LibraryBolt {
  name: string;
  diameter: string;
  pitch?: string;
  stress_area?: string;
  head?: string;
  proof: string;
  source?: string;
}

export interface BoltLibrary {
  source: string;
  sizes: Record<string, { diameter: string; pitch: string; stress_area: string; head: string }>;
  classes: Record<string, Record<string, string>>;
  own: LibraryBolt[];
}

/** Sizes of bolts and their classes, and bolts of one's own. */
export function useBolts() {
  return useQuery({ queryKey: ["bolts"], queryFn: () => request<BoltLibrary>("GET", "/api/bolts"), staleTime: 60_000 });
}

export type Units = Record<string, Record<string, { unit: string; scale: [number, number] }>>;

export function useUnits() {
  return useQuery({
    queryKey: ["units"],
    queryFn: () => request<{ systems: Units }>("GET", "/api/units"),
    staleTime: Infinity,
  });
}

/** A model, or, as ID@NUMBER, one of its older revisions. */
export function useModel(id: string) {
  const [model, revision] = id.split("@");
  return useQuery({
    queryKey: ["model", id],
    queryFn: () => request<ModelView>("GET", `/api/models/${model}${revision ? `?revision=${revision}` : ""}`),
    // An answer that was on its way while an edit was made is older than what the edit brought.
    structuralSharing: (old, next) => {
      const [before, after] = [old as ModelView | undefined, next as ModelView];
      return before && before.version > after.version ? before : after;
    },
  });
}

export interface Revision {
  number: number;
  created_at: string;
  solved: boolean;
}

/** The newest revisions of a model. */
export function useRevisions(id: string) {
  return useQuery({ queryKey: ["revisions", id], staleTime: 5_000, queryFn: () => request<{ revisions: Revision[]; current: number }>("GET", `/api/models/${id}/revisions`) });
}

/** The surfaces and places of a model's shape; the older ones stay until the new ones are there. */
export function useShape(id: string, digest: string) {
  return useQuery({
    queryKey: ["shape", id, digest],
    staleTime: Infinity,
    placeholderData: keepPreviousData,
    queryFn: () => requestArrays<ShapeMeta>(`/api/models/${id}/shape/${digest}`),
  });
}

/** How long the sides of elements will be at a place of a shape that is not meshed yet, in m, and how many each has there. */
export function useWantedSize(id: string, digest: string, body: string | null, at: readonly number[]) {
  return useQuery({
    queryKey: ["size", id, digest, body, at],
    enabled: body !== null,
    staleTime: Infinity,
    gcTime: 10_000,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => request<{ size: number; corners: 3 | 4 }>("GET", `/api/models/${id}/size?${new URLSearchParams({ body: body ?? "", x: String(at[0]), y: String(at[1]), z: String(at[2]) }).toString()}`),
  });
}

export interface Meeting {
  reach: number;
  pairs: { one: PlaceKey; other: PlaceKey; share: number; least: number; greatest: number; joined: boolean }[];
  bonds: { statement: string; reach: number; share: number; least: number | null; greatest: number | null; nearest: number | null }[];
}

/** Faces of different bodies that lie within reach of each other, and how bonds would fare. */
export function useMeeting(id: string, version: number, reach: string, wanted: boolean) {
  return useQuery({
    queryKey: ["meeting", id, version, reach],
    enabled: wanted,
    staleTime: Infinity,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => request<Meeting>("GET", `/api/models/${id}/meeting?${new URLSearchParams({ reach }).toString()}`),
  });
}

export function useMeasures(id: string, digest: string, places: PlaceKey[]) {
  return useQuery({
    queryKey: ["measures", id, digest, places],
    enabled: places.length > 0,
    staleTime: Infinity,
    retry: false,
    queryFn: () => request<{ lines: MeasureLine[] }>("POST", `/api/models/${id}/measures`, { places }),
  });
}

export function useQuality(digest: string | null, measure: string) {
  return useQuery({
    queryKey: ["quality", digest, measure],
    enabled: digest !== null,
    staleTime: Infinity,
    placeholderData: keepPreviousData,
    queryFn: () => request<Quality>("GET", `/api/meshes/${digest}/quality?measure=${measure}`),
  });
}

/** The chosen elements, whole; what was seen before stays until they are there. */
export function useElements(digest: string | null, choice: MeshChoice) {
  const words = new URLSearchParams({ measure: choice.measure });
  if (choice.axis) {
    words.set("axis", choice.axis);
    words.set("at", String(choice.at));
    words.set("turned", String(choice.turned));
  }
  if (choice.body) words.set("body", choice.body);
  if (choice.worse !== null) words.set("worse", String(choice.worse));
  return useQuery({
    queryKey: ["elements", digest, words.toString()],
    enabled: digest !== null,
    staleTime: Infinity,
    gcTime: 30_000,
    placeholderData: keepPreviousData,
    queryFn: () => requestArrays<{ count: number; of: number }>(`/api/meshes/${digest}/elements?${words}`),
  });
}

/** The last edit of each model that is still on its way. */
const turns = new Map<string, Promise<unknown>>();

/** Changes to the model, one after another; each is a revision that can be undone. */
export function useEdit(id: string) {
  const client = useQueryClient();
  const complain = useDesk((desk) => desk.complain);
  const send = useCallback(
    async (path: "document" | "undo" | "redo", change?: (document: Model) => Model): Promise<void> => {
      const view = client.getQueryData<ModelView>(["model", id]);
      if (!view) return;
      const body = { version: view.version, ...(change ? { document: change(structuredClone(view.document)) } : {}) };
      try {
        const next = await request<ModelView>(path === "document" ? "PUT" : "POST", `/api/models/${id}/${path}`, body);
        await client.cancelQueries({ queryKey: ["model", id] });
        client.setQueryData(["model", id], next);
        complain(null);
      } catch (error) {
        if (error instanceof Refused && error.status === 409) complain({ message: error.message, cure: error.cure, reload: true });
        throw error;
      }
    },
    [client, id, complain],
  );
  return useCallback(
    (...edit: Parameters<typeof send>): Promise<void> => {
      const mine = (turns.get(id) ?? Promise.resolve()).then(() => send(...edit));
      turns.set(
        id,
        mine.catch(() => undefined),
      );
      // A promise of its own: what nobody handles is told of as an unhandled rejection.
      return mine.then(() => undefined);
    },
    [id, send],
  );
}

/** Follows the runs of a model as the server tells of them. */
export function useRunEvents(id: string) {
  const client = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    function follow() {
      source = new EventSource(`/api/models/${id}/events`);
      source.addEventListener("run", (event) => {
        const run = JSON.parse((event as MessageEvent<string>).data) as Run;
        const before = client.getQueryData<ModelView>(["model", id])?.runs.find((r) => r.id === run.id);
        client.setQueryData<ModelView>(["model", id], (view) => {
          if (!view) return view;
          const others = view.runs.filter((r) => r.id !== run.id);
          return { ...view, runs: [run, ...others].sort((a, b) => b.created_at.localeCompare(a.created_at)) };
        });
        const ended = (r?: Run) => r && !["queued", "running"].includes(r.state);
        if (ended(run) && !ended(before)) void client.invalidateQueries({ queryKey: ["model", id] });
      });
    }
    // A page that is left, but kept by the browser, would keep its connection from those that come after: there are few.
    const leave = () => source?.close();
    function comeBack(event: PageTransitionEvent) {
      if (!event.persisted) return;
      follow();
      void client.invalidateQueries({ queryKey: ["model", id] });
    }
    follow();
    window.addEventListener("pagehide", leave);
    window.addEventListener("pageshow", comeBack);
    return () => {
      leave();
      window.removeEventListener("pagehide", leave);
      window.removeEventListener("pageshow", comeBack);
    };
  }, [client, id]);
}
