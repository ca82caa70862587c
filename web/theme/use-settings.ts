import { useSyncExternalStore } from 'react';
import { remember, remembered } from '../device/device-store.ts';

export const THEMES = ['shop', 'night', 'sun'] as const;
type Theme = (typeof THEMES)[number];

/** What this browser remembers: look and keys. The bow's own facts live in its log. */
export interface Settings {
  readonly theme: Theme;
  /** Single-letter shortcuts can be switched off (they get in the way of speech input). */
  readonly singleKeys: boolean;
  readonly buttUnit: 'cm' | 'in';
}

const KEY = 'keen-limb.settings';
const DEFAULTS: Settings = { theme: 'shop', singleKeys: true, buttUnit: 'cm' };

let settings: Settings = read();
const listeners = new Set<() => void>();

function read(): Settings {
  try {
    const stored: unknown = JSON.parse(remembered(KEY) ?? '{}');
    return { ...DEFAULTS, ...(typeof stored === 'object' ? stored : {}) };
  } catch {
    return DEFAULTS;
  }
}

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
