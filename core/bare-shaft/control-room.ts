import type { Control } from '../craft/controls.ts';
import { presentReading } from '../gains/present-reading.ts';
import { boltsOutNow } from '../limits/bolt-limits.ts';
import { braceLimit } from '../limits/brace-limit.ts';
import { NOCKING_HEIGHT_MM, UNMEASURED_LOCATOR_MM } from '../limits/locator-limits.ts';
import { safeLength } from '../limits/safe-length.ts';
import { twistRange } from '../limits/twist-limits.ts';
import type { BowState } from '../log/bow-state.ts';

/** How far the nocking point may still go, mm; unmeasured, from where it began. */
export function nockingRoom(state: BowState): { readonly up: number; readonly down: number } {
  const height = presentReading(state, 'nockingHeight')?.value;
  const moved = state.moved.get('nockingPoint') ?? 0;
  return height === undefined
    ? {
        up: Math.max(0, UNMEASURED_LOCATOR_MM - moved),
        down: Math.max(0, UNMEASURED_LOCATOR_MM + moved),
      }
    : {
        up: Math.max(0, NOCKING_HEIGHT_MM.high - height),
        down: Math.max(0, height - NOCKING_HEIGHT_MM.low),
      };
}

/** How far a control may still go either way, in its unit; `inAll` where nothing on the bow says. */
export function roomLeft(
  state: BowState,
  control: Control,
  inAll: number,
): { readonly up: number; readonly down: number } {
  const moved = state.moved.get(control) ?? 0;
  const free = { up: Math.max(0, inAll - moved), down: Math.max(0, inAll + moved) };
  switch (control) {
    case 'topBolt': {
      const bolts = boltsOutNow(state);
      if (bolts === null) return { up: 0, down: 0 };
      const { canGoIn, canGoOut } = bolts;
      return {
        up: Math.min(canGoIn.top, canGoIn.bottom),
        down: Math.min(canGoOut.top, canGoOut.bottom),
      };
    }
    case 'nockingPoint':
      return nockingRoom(state);
    case 'twists':
      return twistRoom(state, free);
    case 'shaftCut': {
      const safe = safeLength(state);
      return { up: safe.kind === 'known' ? Math.floor(safe.leftMm) : 0, down: 0 };
    }
    default:
      return free;
  }
}

/** Twists stay inside the string's range and, by the learned gain, inside the brace's limits. */
function twistRoom(
  state: BowState,
  free: { readonly up: number; readonly down: number },
): { readonly up: number; readonly down: number } {
  const { twists } = state.positions;
  const brace = presentReading(state, 'braceHeight')?.value;
  if (twists === null || brace === undefined) return { up: 0, down: 0 };
  const { fewest, most } = twistRange(state.bow);
  const limits = braceLimit(state);
  const gain = MOST_MM_A_TWIST;
  return {
    up: Math.max(0, Math.min(free.up, most - twists, Math.floor((limits.high - brace) / gain))),
    down: Math.max(
      0,
      Math.min(free.down, twists - fewest, Math.floor((brace - limits.low) / gain)),
    ),
  };
}

/** A twist lifts the brace by less than this on nine bows in ten: room reckoned on the safe side. */
const MOST_MM_A_TWIST = 1.8;
