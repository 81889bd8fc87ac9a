import { useRef, useState } from "react";
import { Share } from "lucide-react";
import { Popover } from "radix-ui";
import { applyPalette, GIFEncoder, quantize } from "gifenc";
import { useQueryClient } from "@tanstack/react-query";
import { fetchField, type Reading } from "../api/results";
import { saveFile } from "../ui/saveFile";
import { useDesk } from "../workspace/desk";
import { fieldDrawing, type Pictured } from "./fieldPicture";
import { titled, type Title } from "./titled";

const SIZES = ["1280 × 800", "1920 × 1080", "3840 × 2160"] as const;
const FILM = [640, 400] as const;
const SWING = 24; // pictures of one turn of a shape
const MOST = 60; // frames of a film

interface Props {
  name: string;
  result: string;
  pictured: Omit<Pictured, "eye">;
  frame: number;
  layer: string | null;
  reading: Reading;
  /** Frames that follow each other; of one alone its movement swings. */
  frames: number[];
  titleOf: (frame: number) => Title;
}

/** What the window shows, as files: pictures, a film, the moved shape, the mesh with its fields. */
export function ExportMenu({ name, result, pictured, frame, layer, reading, frames, titleOf }: Props) {
  const [size, setSize] = useState<string>(SIZES[1]);
  const [busy, setBusy] = useState<string | null>(null);
  const stopped = useRef(false);
  const client = useQueryClient();
  const eye = () => useDesk.getState().eyeNow?.() ?? null;
  const words = new URLSearchParams({ frame: String(frame), field: pictured.field, times: String(pictured.factor), low: String(pictured.scale.low), high: String(pictured.scale.high) }).toString();

  async function picture() {
    const [width, height] = size.split("×").map((n) => Number(n.trim())) as [number, number];
    const drawing = fieldDrawing({ ...pictured, eye: eye() }, width, height);
    const canvas = titled(drawing.draw(pictured.factor), titleOf(frame));
    drawing.dispose();
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
    if (blob) saveFile(`${name}.png`, await blob.arrayBuffer(), "image/png");
  }

  async function film() {
    stopped.current = false;
    const encoder = GIFEncoder();
    const from = eye();
    const add = (canvas: HTMLCanvasElement, delay: number) => {
      const pixels = canvas.getContext("2d")?.getImageData(0, 0, ...FILM).data;
      if (!pixels) return;
      const palette = quantize(pixels, 256);
      encoder.writeFrame(applyPalette(pixels, palette), ...FILM, { palette, delay });
    };
    const breathe = () => new Promise((done) => setTimeout(done));
    if (frames.length < 2) {
      const drawing = fieldDrawing({ ...pictured, eye: from }, ...FILM);
      for (let k = 0; k < SWING && !stopped.current; k += 1) {
        setBusy(`picture ${k + 1} of ${SWING}`);
        add(titled(drawing.draw(pictured.factor * Math.sin((2 * Math.PI * k) / SWING)), titleOf(frame)), 60);
        await breathe();
      }
      drawing.dispose();
    } else {
      const some = frames.filter((_, i) => i % Math.ceil(frames.length / MOST) === 0);
      for (const [k, at] of some.entries()) {
        if (stopped.current) break;
        setBusy(`frame ${k + 1} of ${some.length}`);
        const found = await fetchField(client, result, pictured.field, at, layer, reading);
        const drawing = fieldDrawing({ ...pictured, found, eye: from }, ...FILM);
        add(titled(drawing.draw(pictured.factor), titleOf(at)), 120);
        drawing.dispose();
        await breathe();
      }
    }
    setBusy(null);
    if (stopped.current) return;
    encoder.finish();
    saveFile(`${name}.gif`, encoder.bytes().slice().buffer, "image/gif");
  }

  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button className="flex items-center gap-1 rounded px-1.5 hover:bg-glow">
          <Share className="size-3.5" /> export
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popover w-72 text-[13px]" side="top" sideOffset={6} aria-label="Export what is shown">
          <p className="flex items-center gap-2">
            picture of
            <select className="field" aria-label="Size of the picture" value={size} onChange={(event) => setSize(event.target.value)}>
              {SIZES.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </select>
            <button className="button" onClick={() => void picture()}>
              PNG
            </button>
          </p>
          <p className="mt-2 flex items-center gap-2">
            {frames.length < 2 ? "film of the movement" : `film of ${Math.min(frames.length, MOST)} frames`}
            {busy === null ? (
              <button className="button" onClick={() => void film()}>
                GIF
              </button>
            ) : (
              <>
                <span className="text-faint" role="status">
                  {busy}
                </span>
                <button className="button" onClick={() => (stopped.current = true)}>
                  stop
                </button>
              </>
            )}
          </p>
          <p className="mt-2">
            this frame as{" "}
            {(["glb", "stl", "vtu"] as const).map((kind) => (
              <a key={kind} className="mr-2 underline hover:text-spruce" href={`/api/results/${result}/export/${encodeURIComponent(name)}.${kind}?${words}`} download>
                {{ glb: "glTF in colours", stl: "STL, moved", vtu: "VTU with fields" }[kind]}
              </a>
            ))}
          </p>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
