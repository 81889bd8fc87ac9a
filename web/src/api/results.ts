import { keepPreviousData, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { request, requestArrays } from "./client";

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

/** How a frame moves, which all of its fields have in common. */
const frameQuery = (digest: string | null, frame: number) => ({
  queryKey: ["frame", digest, frame],
  staleTime: Infinity,
  queryFn: () => requestArrays<FieldMeta>(`/api/results/${digest}/fields?only=frame&frame=${frame}`),
});

function fieldQuery(client: QueryClient, digest: string | null, name: string, frame: number, layer: string | null, less: Less, reading: Reading) {
  const words = new URLSearchParams({
    names: name,
    frame: String(frame),
    only: "field",
    ...(layer ? { layer } : {}),
    ...(less ? { less: less.result, less_frame: String(less.frame) } : {}),
    ...(reading.how === "averaged" ? {} : { how: reading.how }),
    ...(reading.around ? { around: [reading.around.axis, ...reading.around.through].join(",") } : {}),
    ...(reading.cut ? { cut: `${reading.cut.axis},${reading.cut.at}` } : {}),
  }).toString();
  return {
    queryKey: ["field", digest, words],
    staleTime: Infinity,
    queryFn: async () => {
      const [moved, field] = await Promise.all([client.fetchQuery(frameQuery(digest, frame)), requestArrays<FieldMeta>(`/api/results/${digest}/fields?${words}`)]);
      return { meta: field.meta, arrays: { ...moved.arrays, ...field.arrays } };
    },
  };
}

/** @param less the result, and the frame of it, that the field is taken less of */
export function useField(digest: string | null, name: string, frame: number, layer: string | null, less: Less = null, reading: Reading = PLAIN) {
  const client = useQueryClient();
  return useQuery({ ...fieldQuery(client, digest, name, frame, layer, less, reading), enabled: digest !== null, gcTime: reading.cut ? 20_000 : undefined, placeholderData: keepPreviousData });
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

export interface Extreme {
  value: number;
  at: number[];
}

export interface PlaceExtremes {
  place: string;
  least: Extreme;
  greatest: Extreme;
}

/** Least and greatest of a field in each body and group. */
export function usePlaces(digest: string | null, asked: { model: string; study: string; name: string; frame: number }) {
  const words = new URLSearchParams({ ...asked, frame: String(asked.frame) }).toString();
  return useQuery({
    queryKey: ["places", digest, words],
    enabled: digest !== null,
    staleTime: Infinity,
    gcTime: 30_000,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => request<PlaceExtremes[]>("GET", `/api/results/${digest}/places?${words}`),
  });
}

/** How a touch stands before anything is solved. */
export interface TouchStart {
  statement: string;
  state: "closed" | "partly closed" | "gap within reach" | "into each other" | "out of reach";
  words: string;
  cure: string | null;
  /** The gap is as good as one all over, and may be taken as none. */
  even: boolean;
  shares: { closed: number; apart: number; into: number; beyond: number };
}

export function useTouches(mesh: string | null, asked: { model: string; version: number }) {
  return useQuery({
    queryKey: ["touches", mesh, asked.model, asked.version],
    enabled: mesh !== null,
    staleTime: Infinity,
    gcTime: 60_000,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: () => request<TouchStart[]>("GET", `/api/meshes/${mesh}/touches?model=${asked.model}`),
  });
}

/** Least and greatest of a field over all frames. */
export function fetchRange(client: QueryClient, digest: string, name: string, layer: string | null, { how, around }: Reading) {
  const words = new URLSearchParams({ name, how, ...(layer ? { layer } : {}), ...(around ? { around: [around.axis, ...around.through].join(",") } : {}) }).toString();
  return client.fetchQuery({ queryKey: ["range", digest, words], staleTime: Infinity, queryFn: () => request<{ min: number; max: number }>("GET", `/api/results/${digest}/range?${words}`) });
}

/** A field that is wanted at once, out of the order in which the window asks for them. */
export const fetchField = (client: QueryClient, digest: string, name: string, frame: number, layer: string | null, reading: Reading) => client.fetchQuery({ ...fieldQuery(client, digest, name, frame, layer, null, reading), gcTime: 5_000 });
