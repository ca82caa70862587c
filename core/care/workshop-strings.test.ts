import { expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import type { BowState } from '../log/bow-state.ts';
import type { StringFacts } from '../log/entry.ts';
import { workshopStrings } from './workshop-strings.ts';

const shots = (log: BowLog, count: number) => log.add({ kind: 'shotsFired', count, note: '' });
const called = (state: BowState, bowId: string): BowState => ({ ...state, bowId });
function put(log: BowLog, string: StringFacts): void {
  log.add({ kind: 'itemFitted', item: 'string', described: 'the long one', touches: [], string });
}

it('a string that goes to another bow and back keeps its own story', () => {
  const [one, other] = [new BowLog({ name: 'One' }), new BowLog({ name: 'Other' })];
  const facts = { stringId: 'long', material: 'lowStretch', shotsBefore: 0 } as const;
  put(one, { ...facts, twists: 20 });
  shots(one, 100);
  one.change('twists', 2);
  const at = () => workshopStrings([called(one.state, 'a'), called(other.state, 'b')]);
  const long = () => at().find(({ stringId }) => stringId === 'long')!;
  expect(long()).toMatchObject({ shots: 100, twists: 22 });

  put(other, { ...facts, shotsBefore: long().shots, twists: 22 });
  shots(other, 40);
  expect(long()).toMatchObject({
    shots: 140,
    stays: [
      { bowName: 'One', shots: 100, stringOffs: 2, isOn: true },
      { bowName: 'Other', shots: 40, stringOffs: 1, isOn: true },
    ],
  });

  // Back on the first, whose record counted a hundred: what it had elsewhere counts.
  put(one, { ...facts, shotsBefore: long().shots, twists: 22 });
  expect(one.state.strings.fitted.shots).toBe(140);
  shots(one, 10);
  expect(long().shots).toBe(150);
});

it('what two bows came with are two strings, and each can go to the other', () => {
  const [one, other] = [new BowLog({ name: 'One' }), new BowLog({ name: 'Other' })];
  shots(one, 30);
  const [first, second] = workshopStrings([called(one.state, 'a'), called(other.state, 'b')]);
  expect([first!.stringId, second!.stringId]).toEqual(['a', 'b']);
  put(other, { stringId: 'a', material: 'unknown', shotsBefore: first!.shots });
  shots(other, 5);
  const strings = workshopStrings([called(one.state, 'a'), called(other.state, 'b')]);
  expect(strings.map(({ shots: had }) => had)).toEqual([35, 0]);
  expect(strings[0]!.stays.map(({ bowName }) => bowName)).toEqual(['One', 'Other']);
});
