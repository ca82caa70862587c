import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const css = readFileSync(resolve(import.meta.dirname, 'tokens.css'), 'utf8');

function tokensOf(theme: string): ReadonlyMap<string, string> {
  const tokens = new Map<string, string>();
  for (const block of css.matchAll(/([^{}]+)\{([^}]*)\}/g)) {
    const selector = block[1] ?? '';
    if (!selector.includes(':root') && !selector.includes(`"${theme}"`)) continue;
    for (const [, name = '', value = ''] of (block[2] ?? '').matchAll(/--([\w-]+):\s*([^;]+);/g)) {
      tokens.set(name, value.trim());
    }
  }
  return tokens;
}

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const channel = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(one: string, other: string): number {
  const [light = 0, dark = 0] = [luminance(one), luminance(other)].toSorted((a, b) => b - a);
  return (light + 0.05) / (dark + 0.05);
}

describe.each(['shop', 'night', 'sun'])('theme %s', (theme) => {
  const tokens = tokensOf(theme);
  const colour = (name: string) => tokens.get(name) ?? '';
  it.each(['ink', 'ink-2', 'accent', 'stop'])('%s is readable on the sheet', (name) => {
    expect(contrast(colour(name), colour('sheet'))).toBeGreaterThanOrEqual(4.5);
  });
  it('words on the button are readable, lines of the drawing are visible', () => {
    expect(contrast(colour('on-accent'), colour('accent'))).toBeGreaterThanOrEqual(4.5);
    expect(contrast(colour('line'), colour('sheet'))).toBeGreaterThanOrEqual(3);
    expect(contrast(colour('ink'), colour('metal'))).toBeGreaterThanOrEqual(4.5);
  });
  it('a step under the pointer stays readable', () => {
    expect(contrast(colour('accent'), colour('metal'))).toBeGreaterThanOrEqual(4.5);
  });
});
