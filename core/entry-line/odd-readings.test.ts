import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { type Lines, oddLineFault } from '../fixtures/odd-lines.ts';

/** 66 in, maker's brace 209.55 to 222.25, bolts 1 1/2 of 3, 24 twists; nothing read yet. */
const inches = () => new BowLog({ throatToPlungerMm: undefined });
/** The same in millimetres, read to the plunger, 12 mm beyond the throat. */
const millimetres = () =>
  new BowLog({ lengthUnit: 'mm', braceReference: 'plunger', throatToPlungerMm: 12 });
function checkLines(log: BowLog, lines: Lines) {
  it.each(lines)('%s → %j', (line, expected) => {
    expect(oddLineFault(log, line, expected)).toBeNull();
  });
}

describe('an inch bow, brace to the throat', () => {
  describe('brace height', () => {
    checkLines(inches(), [
      ['b 8 5/8', 219.08],
      ['b 8-5/8"', 219.08],
      ['b 8 5/8 in', 219.08],
      ['b 8⅝', 219.08],
      ['b 8 ⅝', 219.08],
      ['b 8.625', 219.08],
      ['b 8,625', '!one number or two'],
      ['b 8,62', 218.95],
      ['b 8,6', 218.44],
      ['b 219', 219],
      ['b 219,5', 219.5],
      ['b 219.5', 219.5],
      ['b 21,9 cm', 219],
      ['b 21.9cm', 219],
      ['b 21.9', '?21.9 cm'],
      ['b 2190', '?219'],
      ['b 219 218,5 219', [219, 218.5, 219]],
      ['b 219, 218.5, 219', [219, 218.5, 219]],
      ['b 219,218', '!one number or two'],
      ['b 219218', '!no brace height'],
      ['b 219.5.5', '!second point'],
      ['b 219,5,5', '!second comma'],
      ['b 8 5/7', '!cannot be read on a rule'],
      ['b 8 5/10', '!cannot be read on a rule'],
      ['b 8 9/8', '!whole or more'],
      ['b 8 5/', '!stops after'],
      ['b 8⅓', '!cannot be read on a rule'],
      ['b 219 lb', '!not measured in lb'],
      ['b 34 lb', '!not measured in lb'],
      ['b 219 gr', '!not measured in gr'],
      ['b 219 m', '!not measured in m'],
      ['b 8 5/8 kg', '!not measured in kg'],
      ['b -219', '!no brace height'],
      ['b −8 5/8', '?8 5/8'],
      ['b +219', 219],
      ['b 0', '!no brace height'],
      ['b 3 1/8', '?8 1/8'],
      ['b 8 5/8 throat', 219.08],
      ['b 8 5/8 plunger', '!distance between throat and plunger is not known'],
      ['b 8 5/8 grip', '!not part of a number'],
      ['b 8 5/8 pivot', '!not part of a number'],
      ['b 8 5/8 8', '?more than one hand'],
      ['b tt 8', '!not part of a number'],
      ['b 8 5/8 done it', '!not part of a number'],
    ]);
  });

  describe('tiller, weight, nocking height', () => {
    checkLines(inches(), [
      ['tt 7 1/16', 179.39],
      ['tt 7,06', 179.32],
      ['tt 179', 179],
      ['tt 17,9 cm', 179],
      ['tt 179 lb', '!not measured in lb'],
      ['tt 1 1/16', '?7 1/16'],
      ['tt -7', '!no tiller'],
      ['tt 7 near', 177.8],
      ['tt 7 throat', '!not part of a number'],
      ['tb 175', 175],
      ['w 34', 34],
      ['w 33,8', 33.8],
      ['w 33.8 34 33,9', [33.8, 34, 33.9]],
      ['w 34 1/2', 34.5],
      ['w 34lbs', 34],
      ['w 34#', 34],
      ['w 15.4 kg', 33.95],
      ['w 15,4kg', 33.95],
      ['w 151 N', 33.95],
      ['w 34 mm', '!not measured in mm'],
      ['w 34 in', '!not measured in in'],
      ['w 34 gr', '!not measured in gr'],
      ['w 340', '?34 lb'],
      ['w 3.4', '?34 lb'],
      ['w -34', '!no draw weight'],
      ['w 34 28', '?more than one hand'],
      ['w 3400', '?34 lb'],
      ['n 3/16', 4.76],
      ['n 1/2"', 12.7],
      ['n 5', 5],
      ['n 4,5', 4.5],
      ['n 5 mm', 5],
      ['n 4 1/4', '?1/4'],
      ['n 0', 0],
      ['n -2 mm', -2],
      ['n 5 lb', '!not measured in lb'],
      ['n 200', '?20 mm'],
      ['n 50 mm', '?5 mm'],
      ['n 5 gr', '!not measured in gr'],
    ]);
  });

  describe('centre shot, limb line, rest, draw', () => {
    checkLines(inches(), [
      ['cs 3', 3],
      ['cs 3 mm', 3],
      ['cs -1,5', -1.5],
      ['cs 1/8', 3.18],
      ['cs@p 1', 1],
      ['cs@p 1,06', 1.06],
      ['cs 3 lb', '!not measured in lb'],
      ['cs 300', '!no centre shot'],
      ['ll t 0', 0],
      ['ll t -1,2', -1.2],
      ['ll b 0.5 mm', 0.5],
      ['ll r 2', 2],
      ['ll t 40', '?0.4 in'],
      ['rh 0', 0],
      ['rh 0,5', 12.7],
      ['rh 0,5 mm', 0.5],
      ['dl 28', 711.2],
      ['dl 28 1/4', 717.55],
      ['dl 711', 711],
      ['dl 71,1 cm', 711],
      ['dl 26 1/4 pivot', 711.2],
      ['dl 26,25 pivot', 711.2],
      ['dl 666.8 mm pivot', 711.25],
      ['dl 28 amo', 711.2],
      ['dl 28 lb', '!not measured in lb'],
      ['dl 28 throat', '!not part of a number'],
      ['dl 2.8', '?28'],
      ['dl 280', '?28'],
    ]);
  });
});

describe('a millimetre bow, brace to the plunger', () => {
  checkLines(millimetres(), [
    ['b 231', 231],
    ['b 23,1 cm', 231],
    ['b 23.1', '?231'],
    ['b 21.9 throat', '?219'],
    ['b 219 throat', 231],
    ['b 8 5/8 throat', 231.08],
    ['b 231 plunger', 231],
    ['b 8,6', 218.44],
    ['b 9', 228.6],
    ['dl 711', 711],
    ['dl 28', 711.2],
    ['dl 68 pivot', '?680 mm'],
    ['dl 680 pivot', 724.45],
    ['dl 26.77 pivot', 724.41],
    ['tt 179 180 179,5', [179, 180, 179.5]],
    ['tb 17.9', '?179'],
    ['n 9', 9],
    ['n 0,9 cm', 9],
    ['n 90', '?9'],
    ['tp 12', 12],
    ['tp 1/2', 12.7],
    ['tp 200', '!never so far'],
    ['mb 216 232', [216, 232]],
    ['mb 8 1/2 9 1/8', [215.9, 231.78]],
    ['band n 9 10', [9, 10]],
    ['band b 210 220', [210, 220]],
    ['cs 0,5', 0.5],
    ['ll t 3,5', 3.5],
    ['rh 1', 1],
  ]);
});
