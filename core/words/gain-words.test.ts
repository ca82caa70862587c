import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { gainWords } from './gain-words.ts';

it('says a rule of thumb until the bow has shown its own, then from how many changes', () => {
  const log = new BowLog().settle();
  expect(gainWords(log.state, 'braceHeight', 'twists')).toMatch(
    /^1 twist = 0\.\d ± 0\.\d mm of brace height, a rule of thumb/,
  );
  let brace = 216;
  for (const amount of [6, -6, 6]) {
    log.change('twists', amount);
    // 0.6 mm a twist about 27 twists is a little more at the 30 it ends with.
    brace += 0.6 * amount;
    log.read('braceHeight', brace, brace, brace);
  }
  expect(gainWords(log.state, 'braceHeight', 'twists')).toMatch(
    /^1 twist = 0\.(6\d|7) ± 0\.\d+ mm of brace height, from 3 changes$/,
  );
});

it('has nothing to say of a control that does not move the reading', () => {
  expect(gainWords(new BowLog().state, 'limbLineTop', 'twists')).toBeNull();
  expect(gainWords(new BowLog().state, 'drawLength', 'twists')).toBeNull();
});
