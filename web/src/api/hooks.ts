import { useCallback, useEffect } from "react";
import { keepPreviousData, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { request, requestArrays, Refused } from "./client";
import type { LibraryMaterial, MeasureLine, MeshChoice, Model, ModelView, PlaceKey, ProjectEntry, Quality, Run, ShapeMeta } from "./types";
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

/** Keeps a material of one's own, or lets go of it. */
export function useOwnMaterials() {
  const client = useQueryClient();
  const after = () => client.invalidateQueries({ queryKey: ["materials"] });
  return {
    put: (entry: LibraryMaterial) => request<LibraryMaterial>("PUT", "/api/materials", entry).then(after),
    drop: (name: string) => request("DELETE", `/api/materials/${encodeURIComponent(name)}`).then(after),
  };
}

export interface Threads {
  source: string;
  sizes: Record<string, { diameter: string; pitch: string; stress_area: string; head: string }>;
  classes: Record<string, Record<string, string>>;
}

export function useThreads() {
  return useQuery({ queryKey: ["threads"], queryFn: () => request<Threads>("GET", "/api/threads"), staleTime: Infinity });
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

export interface SkinMeta {
  faces: [string, string, number, number][];
  edges: [string, string, number, number][];
  dimension: number;
  bodies: string[];
}

export function useSkin(digest: string | null) {
  return useQuery({
    queryKey: ["skin", digest],
    enabled: digest !== null,
    staleTime: Infinity,
    queryFn: () => requestArrays<SkinMeta>(`/api/meshes/${digest}/skin`),
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

export interface FieldMeta {
  extremes: Record<string, { min: number; max: number; min_at: number[]; max_at: number[]; dimension: string }>;
  /** Values come at the corners of triangles. */
  corners: boolean;
  /** Bodies that a plane lays open, over the triangles of the cut. */
  cut: [string, string, number, number][];
}

export type How = "averaged" | "unaveraged" | "element";
export type Axis = "x" | "y" | "z";

/** How a field is read. */
export interface Reading {
  how: How;
  /** Around an axis along one of the model's, through a point, m. */
  around: { axis: Axis; through: [number, number, number] } | null;
  /** The inside on a plane across an axis at a place, m. */
  cut: { axis: Axis; at: number } | null;
}

export const PLAIN: Reading = { how: "averaged", around: null, cut: null };

type Less = { result: string; frame: number } | null;

function fieldQuery(digest: string | null, name: string, frame: number, layer: string | null, less: Less, reading: Reading) {
  const words = new URLSearchParams({
    names: name,
    frame: String(frame),
    ...(layer ? { layer } : {}),
    ...(less ? { less: less.result, less_frame: String(less.frame) } : {}),
    ...(reading.how === "averaged" ? {} : { how: reading.how }),
    ...(reading.around ? { around: [reading.around.axis, ...reading.around.through].join(",") } : {}),
    ...(reading.cut ? { cut: `${reading.cut.axis},${reading.cut.at}` } : {}),
  }).toString();
  return { queryKey: ["field", digest, words], staleTime: Infinity, queryFn: () => requestArrays<FieldMeta>(`/api/results/${digest}/fields?${words}`) };
}

/** @param less the result, and the frame of it, that the field is taken less of */
export function useField(digest: string | null, name: string, frame: number, layer: string | null, less: Less = null, reading: Reading = PLAIN) {
  return useQuery({ ...fieldQuery(digest, name, frame, layer, less, reading), enabled: digest !== null, gcTime: reading.cut ? 20_000 : undefined, placeholderData: keepPreviousData });
}

/** Fields at the points of a place, SI. */
export function useNodes(digest: string | null, asked: { model: string; study: string; at: string; names: string[]; frame: number }) {
  const words = new URLSearchParams({ model: asked.model, study: asked.study, at: asked.at, names: asked.names.join(","), frame: String(asked.frame) }).toString();
  return useQuery({
    queryKey: ["nodes", digest, words],
    enabled: digest !== null && asked.at !== "",
    staleTime: Infinity,
    gcTime: 30_000,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => request<{ at: number[][]; values: Record<string, number[]> }>("GET", `/api/results/${digest}/nodes?${words}`),
  });
}

/** Least and greatest of a field over all frames. */
export function fetchRange(client: QueryClient, digest: string, name: string, layer: string | null, { how, around }: Reading) {
  const words = new URLSearchParams({ name, how, ...(layer ? { layer } : {}), ...(around ? { around: [around.axis, ...around.through].join(",") } : {}) }).toString();
  return client.fetchQuery({ queryKey: ["range", digest, words], staleTime: Infinity, queryFn: () => request<{ min: number; max: number }>("GET", `/api/results/${digest}/range?${words}`) });
}

/** A field that is wanted at once, out of the order in which the window asks for them. */
export const fetchField = (client: QueryClient, digest: string, name: string, frame: number, layer: string | null, reading: Reading) => client.fetchQuery({ ...fieldQuery(digest, name, frame, layer, null, reading), gcTime: 5_000 });

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
