import { expect, it } from 'vitest';
import { type GaugeInput, gaugeGeometry } from './gauge-view.ts';

const GAUGE: GaugeInput = {
  low: 200,
  high: 220,
  hard: true,
  hardWords: 'maker’s limits',
  bandLow: 205,
  bandHigh: 210,
  bandName: 'quiet',
  bandSource: 'this bow',
  tickStep: 1,
  majorEvery: 5,
  lowLabel: '200',
  highLabel: '220',
  pointer: { value: 215, plusMinus: 2, trusted: true, expected: null, before: null },
};

it('lays band, pointer and uncertainty to scale', () => {
  const { band, pointer, ticks } = gaugeGeometry(GAUGE, 200);
  expect(band).toEqual([50, 100]);
  expect(pointer).toMatchObject({ x: 150, from: 130, to: 170, offEnd: 0 });
  expect(ticks.filter((tick) => tick.major)).toHaveLength(5);
});
it('stops a value beyond the end at the end, and knows it', () => {
  const beyond = gaugeGeometry({ ...GAUGE, pointer: { ...GAUGE.pointer!, value: 300 } }, 200);
  expect(beyond.pointer).toMatchObject({ x: 200, offEnd: 1 });
  expect(() => gaugeGeometry({ ...GAUGE, high: 200 }, 200)).toThrow(RangeError);
});
