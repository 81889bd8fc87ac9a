import { css } from "./palette";

export interface Title {
  text: string;
  low: string;
  high: string;
  stops: readonly [number, number, number][];
}

/** A picture on the pale ground of the window, with what it shows and its scale below. */
export function titled(picture: HTMLCanvasElement, title: Title): HTMLCanvasElement {
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [picture.width, picture.height];
  const pen = canvas.getContext("2d");
  if (!pen) return canvas;
  const ground = pen.createLinearGradient(0, 0, 0, canvas.height);
  ground.addColorStop(0, "#eff0ec");
  ground.addColorStop(1, "#d9ded9");
  pen.fillStyle = ground;
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(picture, 0, 0);
  const unit = canvas.height / 40;
  const [left, top, wide] = [unit * 1.2, canvas.height - unit * 3, canvas.width - unit * 2.4];
  const scale = pen.createLinearGradient(left, 0, left + wide, 0);
  title.stops.forEach((stop, i) => scale.addColorStop(i / (title.stops.length - 1), css(stop)));
  pen.fillStyle = scale;
  pen.fillRect(left, top, wide, unit * 0.7);
  pen.fillStyle = "#22313b";
  pen.font = `${unit}px "IBM Plex Sans", sans-serif`;
  pen.textBaseline = "top";
  pen.fillText(title.low, left, top + unit);
  pen.textAlign = "center";
  pen.fillText(title.text, left + wide / 2, top + unit, wide * 0.7);
  pen.textAlign = "right";
  pen.fillText(title.high, left + wide, top + unit);
  return canvas;
}
