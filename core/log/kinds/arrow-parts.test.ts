import { describe, expect, it } from 'vitest';
import { PLAIN_BUILD } from '../../fixtures/plain-build.ts';
import { G_PER_GR } from '../../quantity/units.ts';
import { arrowBuildSchema } from './arrow-parts.ts';

const pathsOf = (build: unknown) =>
  arrowBuildSchema.safeParse(build).error?.issues.map(({ path }) => path.join('.'));
const { shaft, point } = PLAIN_BUILD;

describe('a build at the door', () => {
  it('goes in as it is', () => {
    expect(arrowBuildSchema.parse(PLAIN_BUILD)).toEqual(PLAIN_BUILD);
  });

  it.each([
    ['a negative mass', { ...PLAIN_BUILD, point: { ...point, massG: -1 } }, 'point.massG'],
    [
      'a point of 5000 gr',
      { ...PLAIN_BUILD, point: { ...point, massG: 5000 * G_PER_GR } },
      'point.massG',
    ],
    ['spine 20', { ...PLAIN_BUILD, shaft: { ...shaft, spine: 20 } }, 'shaft.spine'],
    ['a word in a number', { ...PLAIN_BUILD, shaft: { ...shaft, spine: '500' } }, 'shaft.spine'],
    [
      'cut longer than it is',
      { ...PLAIN_BUILD, shaft: { ...shaft, lengthMm: 830 } },
      'shaft.lengthMm',
    ],
    ['half a feather', { ...PLAIN_BUILD, fletching: { count: 2.5 } }, 'fletching.count'],
    ['a part nobody knows', { ...PLAIN_BUILD, feathering: null }, ''],
  ])('%s is refused where it stands', (_what, build, path) => {
    expect(pathsOf(build)).toContain(path);
  });
});
