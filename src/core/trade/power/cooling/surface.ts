import { faceFactors, type Material, type Position, surfaceHeat } from '../../../base/standards/cooling';

const { top, topCovered, free, covered } = faceFactors;
/** Factors of front, back and the two sides by how a cabinet stands. */
const FACES: Readonly<Record<Position, { back: number; left: number; right: number }>> = {
  alone: { back: free, left: free, right: free },
  'alone-wall': { back: covered, left: free, right: free },
  end: { back: free, left: free, right: covered },
  'end-wall': { back: covered, left: free, right: covered },
  middle: { back: free, left: covered, right: covered },
  'middle-wall': { back: covered, left: covered, right: covered },
};

export type Box = { widthMm: number; heightMm: number; depthMm: number };

/** Surface that gives off heat, m²: each face by its factor, the floor never. */
export function effectiveSurface(
  { widthMm, heightMm, depthMm }: Box,
  position: Position,
  topIsCovered = false,
): number {
  const [w, h, d] = [widthMm / 1000, heightMm / 1000, depthMm / 1000];
  const { back, left, right } = FACES[position];
  return w * d * (topIsCovered ? topCovered : top) + w * h * (free + back) + d * h * (left + right);
}

/** Rise in a shut cabinet, K; null where the heat through its material is not held. ΔT = P / (k A). */
export function shutRise(watts: number, surfaceM2: number, material: Material): number | null {
  const k = surfaceHeat[material];
  return k === null ? null : watts / (k * surfaceM2);
}

/** Watts that a shut cabinet gives off at a rise. */
export function shutWatts(riseK: number, surfaceM2: number, material: Material): number | null {
  const k = surfaceHeat[material];
  return k === null ? null : riseK * k * surfaceM2;
}
