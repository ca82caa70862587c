// @vitest-environment happy-dom
import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { beforeEach, describe, expect, it, vi } from 'vitest';

const KEY = 'keen-limb.settings';
vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true);

type Theme = typeof import('./use-settings.ts');
async function opened(remembered: string | null): Promise<Theme> {
  localStorage.clear();
  if (remembered !== null) localStorage.setItem(KEY, remembered);
  vi.resetModules();
  return import('./use-settings.ts');
}
/** What a page that shows the settings shows. */
function shown(theme: Theme): { now: () => string } {
  const place = document.createElement('p');
  const Shown = () => createElement('b', null, JSON.stringify(theme.useSettings()));
  act(() => {
    createRoot(place).render(createElement(Shown));
  });
  return { now: () => place.textContent };
}

beforeEach(() => {
  delete document.documentElement.dataset['theme'];
});

describe('what a browser remembers of looks and keys', () => {
  it('begins with the shop look, single keys, centimetres, grains', async () => {
    const page = shown(await opened(null));
    expect(JSON.parse(page.now())).toEqual({
      theme: 'shop',
      singleKeys: true,
      buttUnit: 'cm',
      distanceUnit: 'm',
      massUnit: 'gr',
    });
    expect(document.documentElement.dataset['theme']).toBe('shop');
  });

  it('shows a change at once, and has it again at the next start', async () => {
    const theme = await opened(null);
    const page = shown(theme);
    act(() => {
      theme.changeSettings({ theme: 'night', singleKeys: false });
    });
    expect(JSON.parse(page.now())).toMatchObject({ theme: 'night', singleKeys: false });
    expect(document.documentElement.dataset['theme']).toBe('night');
    const again = shown(await opened(localStorage.getItem(KEY)));
    expect(JSON.parse(again.now())).toMatchObject({ theme: 'night', singleKeys: false });
  });

  it.each([
    ['no JSON', '{"theme":'],
    ['nothing', 'null'],
    ['a look there is not', '{"theme":"neon","singleKeys":"yes","buttUnit":"ft"}'],
  ])('falls back where what it finds is %s', async (_what, found) => {
    const page = shown(await opened(found));
    expect(JSON.parse(page.now())).toEqual({
      theme: 'shop',
      singleKeys: true,
      buttUnit: 'cm',
      distanceUnit: 'm',
      massUnit: 'gr',
    });
  });

  it('keeps what is sound beside what is not', async () => {
    const page = shown(await opened('{"theme":"sun","buttUnit":"ft"}'));
    expect(JSON.parse(page.now())).toEqual({
      theme: 'sun',
      singleKeys: true,
      buttUnit: 'cm',
      distanceUnit: 'm',
      massUnit: 'gr',
    });
  });
});
