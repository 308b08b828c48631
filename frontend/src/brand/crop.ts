import type { PercentCrop } from "react-image-crop";

/** A crop in percent, kept within the picture, from shares: left, top, right, bottom. */
export function percent(crop: number[]): PercentCrop {
  const [left = 0, top = 0, right = 1, bottom = 1] = crop.map((share) => Math.min(1, Math.max(0, share)));
  return { unit: "%", x: left * 100, y: top * 100, width: (right - left) * 100, height: (bottom - top) * 100 };
}

/** Shares of a picture's width and height from a crop in percent. */
export function shares(crop: PercentCrop): number[] {
  const round = (value: number) => Math.round(value * 100) / 10_000;
  return [round(crop.x), round(crop.y), round(crop.x + crop.width), round(crop.y + crop.height)];
}
