import type { Control } from '../craft/controls.ts';
import type { ReadingKind } from '../craft/readings.ts';
import { fixedGains } from '../priors/prior-gains.ts';

/** The readings that twists and bolts move together. */
export const PLANE_RESPONSES = ['braceHeight', 'tillerTop', 'tillerBottom', 'drawWeight'] as const;
export type PlaneResponse = (typeof PLANE_RESPONSES)[number];

/** The controls they all answer. */
const PLANE_CONTROLS: readonly Control[] = ['twists', 'topBolt', 'bottomBolt'];

export function isPlaneResponse(kind: string): kind is PlaneResponse {
  return (PLANE_RESPONSES as readonly string[]).includes(kind);
}

/** The readings that answer one or two controls each, apart from twists and bolts. */
const SINGLE_RESPONSES = [
  'nockingHeight',
  'restHeight',
  'centreShotAtPoint',
  'centreShotAtPlunger',
  'limbLineTop',
  'limbLineBottom',
] as const;
export type SingleResponse = (typeof SINGLE_RESPONSES)[number];

export function isSingleResponse(kind: string): kind is SingleResponse {
  return (SINGLE_RESPONSES as readonly string[]).includes(kind);
}

/** Controls whose direction nobody knows beforehand: the pocket's construction decides. */
export const SIDE_SCREWS: Partial<Record<ReadingKind, Control>> = {
  limbLineTop: 'topSideScrews',
  limbLineBottom: 'bottomSideScrews',
};

function controlsOf(response: SingleResponse): readonly Control[] {
  const side = SIDE_SCREWS[response];
  const fixed = [...fixedGains(response).keys()];
  return side === undefined ? fixed : [...fixed, side];
}

/** The controls that move a reading at all: asked before any fit, since most changes do not. */
export function controlsMoving(kind: ReadingKind): readonly Control[] {
  if (isPlaneResponse(kind)) return PLANE_CONTROLS;
  return isSingleResponse(kind) ? controlsOf(kind) : [];
}
