// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { VIEWS } from '../views.ts';
import { routesOf } from './view-routes.tsx';
import { type View, viewAt, viewPath } from './view.ts';

const [RACK, BENCH] = VIEWS as [View, View];
const PAGE = () => null;
const SIXTH: View = {
  number: 6,
  name: 'Practice',
  segment: 'practice',
  ofOneBow: true,
  page: PAGE,
};

describe('the table of views', () => {
  it('has each number, name and address once', () => {
    for (const key of ['number', 'name', 'segment'] as const)
      expect(new Set(VIEWS.map((view) => view[key])).size).toBe(VIEWS.length);
  });

  it('leads to a bow only where the view is of one', () => {
    expect(viewPath(RACK, 'b1')).toBe('/rack');
    expect(viewPath(BENCH, 'b1')).toBe('/bench/b1');
    expect(viewPath(BENCH, null)).toBe('/bench');
  });

  it('finds the view of an address, and none for an address of no view', () => {
    expect(viewAt(VIEWS, '/range/b1')?.name).toBe('Range');
    expect(viewAt(VIEWS, '/rack/new')?.name).toBe('Rack');
    expect(viewAt(VIEWS, '/')).toBeUndefined();
    expect(viewAt(VIEWS, '/ranges')).toBeUndefined();
  });

  it('gives every view its addresses, a view of one bow one without a bow, and the frame one for none', () => {
    const paths = (views: readonly View[]) =>
      routesOf(views)[0]?.children?.map(({ path }) => path) ?? [];
    expect(paths(VIEWS)).toEqual([
      undefined,
      'rack',
      'rack/new',
      'rack/files',
      'rack/cards',
      'bench',
      'bench/:bowId',
      'arrows',
      'arrows/:bowId',
      'range',
      'range/:bowId',
      'record',
      'record/:bowId',
      '*',
    ]);
    expect(paths([...VIEWS, SIXTH])).toContain('practice/:bowId');
  });

  it('fetches a page that is not there at the start', async () => {
    const fetched: View = { ...SIXTH, page: { fetch: () => Promise.resolve(PAGE) } };
    const [, page] = routesOf([fetched])[0]?.children?.slice(1) ?? [];
    const lazy = page?.lazy as (() => Promise<{ Component: unknown }>) | undefined;
    expect((await lazy?.())?.Component).toBe(PAGE);
  });
});
