import type { RefObject } from "react";
import { saveFile } from "../ui/saveFile";
import { withCommas } from "./CopyHead";

const KEPT = ["fill", "font-family", "font-size", "font-weight"] as const;
const FINE = 3; // pixels of the picture for one of the drawing's

/** The drawing as it stands alone: what style sheets say of its texts is written into it. */
export function standing(picture: SVGSVGElement): string {
  const copy = picture.cloneNode(true) as SVGSVGElement;
  const [texts, shown] = [copy.querySelectorAll("text"), picture.querySelectorAll("text")];
  shown.forEach((text, i) => {
    const style = getComputedStyle(text);
    KEPT.forEach((key) => texts[i]?.style.setProperty(key, style.getPropertyValue(key)));
  });
  const [, , wide, high] = (picture.getAttribute("viewBox") ?? "0 0 560 190").split(" ");
  copy.removeAttribute("class");
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("width", wide ?? "560");
  copy.setAttribute("height", high ?? "190");
  copy.style.background = "#fffdf7";
  return new XMLSerializer().serializeToString(copy);
}

async function pixels(svg: string): Promise<ArrayBuffer> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [image.width * FINE, image.height * FINE];
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
  return (blob ?? new Blob()).arrayBuffer();
}

/** Saves a graph as a drawing, as a picture, or as its numbers. */
export function SaveGraph({ name, picture, rows }: { name: string; picture: RefObject<SVGSVGElement | null>; rows: () => (string | number)[][] }) {
  const draw = () => (picture.current ? standing(picture.current) : "");
  const all: [string, () => void | Promise<void>][] = [
    ["SVG", () => saveFile(`${name}.svg`, draw(), "image/svg+xml")],
    ["PNG", async () => saveFile(`${name}.png`, await pixels(draw()), "image/png")],
    ["CSV", () => saveFile(`${name}.csv`, withCommas(rows()), "text/csv")],
  ];
  return (
    <figcaption className="no-print absolute right-2 top-0 z-10 flex gap-1 opacity-0 transition-opacity focus-within:opacity-100 group-hover:opacity-100">
      {all.map(([kind, save]) => (
        <button key={kind} className="rounded bg-paper px-1 text-[11px] text-faint hover:bg-glow" aria-label={`Save the graph as ${kind}`} onClick={() => void save()}>
          {kind}
        </button>
      ))}
    </figcaption>
  );
}
