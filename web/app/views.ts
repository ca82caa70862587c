interface View {
  /** Its number after `g`; views keep their number whatever is added between them. */
  readonly number: number;
  readonly name: string;
  readonly path: (bowId: string | null) => string;
}

/** The views in order; what is not built yet is not shown. */
export const VIEWS: readonly View[] = [
  { number: 1, name: 'Rack', path: () => '/rack' },
  { number: 2, name: 'Bench', path: (bowId) => (bowId === null ? '/bench' : `/bench/${bowId}`) },
  { number: 4, name: 'Range', path: (bowId) => (bowId === null ? '/range' : `/range/${bowId}`) },
];
