import { useSyncExternalStore } from 'react';
import { z } from 'zod';
import { remember, remembered } from '../device/device-store.ts';

export const THEMES = ['shop', 'night', 'sun'] as const;
type Theme = (typeof THEMES)[number];

/** What this browser remembers: look and keys. The bow's own facts live in its log. */
export interface Settings {
  readonly theme: Theme;
  /** Single-letter shortcuts can be switched off (they get in the way of speech input). */
  readonly singleKeys: boolean;
  readonly buttUnit: 'cm' | 'in';
  /** From the line to the butt, where marks are read. */
  readonly distanceUnit: 'm' | 'yd';
  /** Arrows and their parts. */
  readonly massUnit: 'gr' | 'g';
}

const KEY = 'keen-limb.settings';
const DEFAULTS: Settings = {
  theme: 'shop',
  singleKeys: true,
  buttUnit: 'cm',
  distanceUnit: 'm',
  massUnit: 'gr',
};

/** What another program left, or a hand changed, counts only where it is one of the choices. */
const settingsSchema = z
  .object({
    theme: z.enum(THEMES).catch(DEFAULTS.theme),
    singleKeys: z.boolean().catch(DEFAULTS.singleKeys),
    buttUnit: z.enum(['cm', 'in']).catch(DEFAULTS.buttUnit),
    distanceUnit: z.enum(['m', 'yd']).catch(DEFAULTS.distanceUnit),
    massUnit: z.enum(['gr', 'g']).catch(DEFAULTS.massUnit),
  })
  .catch(DEFAULTS);

function read(): Settings {
  try {
    return settingsSchema.parse(JSON.parse(remembered(KEY) ?? '{}'));
  } catch {
    return DEFAULTS;
  }
}

let settings: Settings = read();
const listeners = new Set<() => void>();

function apply(): void {
  document.documentElement.dataset['theme'] = settings.theme;
}
apply();

export function changeSettings(change: Partial<Settings>): void {
  settings = { ...settings, ...change };
  remember(KEY, JSON.stringify(settings));
  apply();
  for (const listener of listeners) listener();
}

export function useSettings(): Settings {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => settings,
  );
}
