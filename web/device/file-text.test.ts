import { describe, expect, it } from 'vitest';
import { textOf } from './file-text.ts';

const TEXT = 'right_mm,up_mm\r\n−3,5\r\n';

describe('the text of a file', () => {
  const utf16 = (isLittle: boolean, withMark: boolean) => {
    const view = new DataView(new ArrayBuffer(2 * TEXT.length + (withMark ? 2 : 0)));
    if (withMark) view.setUint16(0, 0xfeff, isLittle);
    for (let at = 0; at < TEXT.length; at += 1)
      view.setUint16(2 * at + (withMark ? 2 : 0), TEXT.charCodeAt(at), isLittle);
    return new Uint8Array(view.buffer);
  };
  it.each([
    ['UTF-8', new TextEncoder().encode(TEXT)],
    ['UTF-8 with its mark', new TextEncoder().encode(`\uFEFF${TEXT}`)],
    ['UTF-16, little end first', utf16(true, true)],
    ['UTF-16, big end first', utf16(false, true)],
    ['UTF-16 without a mark', utf16(true, false)],
    ['UTF-16 without a mark, big end first', utf16(false, false)],
  ])('is read from %s', (_name, bytes) => {
    expect(textOf(bytes)).toBe(TEXT);
  });

  it('is read from the Western code page where it is no UTF-8', () => {
    expect(textOf(Uint8Array.of(0x4d, 0xfc, 0x6c))).toBe('Mül');
  });

  it('of nothing is nothing', () => {
    expect(textOf(new Uint8Array())).toBe('');
  });
});
