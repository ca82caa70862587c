/** What a session is shot for: each kind is judged by its own rules. */
export const SESSION_KINDS = ['bareShaft', 'walkBack', 'fineTuning'] as const;
export type SessionKind = (typeof SESSION_KINDS)[number];

export const SESSION_KIND_LABEL: Readonly<Record<SessionKind, string>> = {
  bareShaft: 'Bare shaft',
  walkBack: 'Walk-back',
  fineTuning: 'Fine tuning',
};
