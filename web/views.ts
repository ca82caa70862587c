import type { View } from './app/view.ts';
import { BenchPage } from './bench/bench-page.tsx';
import { RackPage } from './rack/rack-page.tsx';

/**
 * The views in order: addresses, tabs, menu, keys and help are made of this table. What is not built
 * yet is not shown. What is not needed at once comes as pieces of its own: rack and bench are there before they are fetched.
 */
export const VIEWS: readonly View[] = [
  {
    number: 1,
    name: 'Rack',
    segment: 'rack',
    ofOneBow: false,
    also: ['new', 'files', 'cards'],
    page: RackPage,
  },
  { number: 2, name: 'Bench', segment: 'bench', ofOneBow: true, page: BenchPage },
  {
    number: 3,
    name: 'Arrows',
    segment: 'arrows',
    ofOneBow: true,
    page: { fetch: async () => (await import('./arrows/arrows-page.tsx')).ArrowsPage },
  },
  {
    number: 4,
    name: 'Range',
    segment: 'range',
    ofOneBow: true,
    tapsCount: true,
    page: { fetch: async () => (await import('./range/range-page.tsx')).RangePage },
  },
  {
    number: 5,
    name: 'Record',
    segment: 'record',
    ofOneBow: true,
    page: { fetch: async () => (await import('./record/record-page.tsx')).RecordPage },
  },
];
