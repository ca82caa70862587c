import { expect, it } from 'vitest';
import { CARE_FACTS } from '../craft/care-jobs.ts';
import { BowLog } from '../fixtures/bow-log.ts';
import { gainOf } from '../gains/learned-gains.ts';
import { presentReading } from '../gains/present-reading.ts';
import { shootingBars } from '../limits/shooting-bars.ts';
import type { BowState } from '../log/bow-state.ts';
import { instantMs } from '../quantity/instant.ts';
import { careList } from './care-list.ts';
import { countUse } from './use-counts.ts';
import { workshopLimbs } from './workshop-limbs.ts';

const shots = (log: BowLog, count: number) => log.add({ kind: 'shotsFired', count, note: '' });
const called = (state: BowState, bowId: string): BowState => ({ ...state, bowId });

it('limbs that go to another bow and back keep their own story', () => {
  const [one, other] = [new BowLog({ name: 'One' }), new BowLog({ name: 'Other' })];
  const pair = () =>
    workshopLimbs([called(one.state, 'a'), called(other.state, 'b')]).find(
      ({ limbsId }) => limbsId === 'medium',
    )!;
  one.fitLimbs('medium');
  shots(one, 100);
  expect(pair()).toMatchObject({ shots: 100, stays: [{ bowName: 'One', isOn: true }] });

  other.fitLimbs('medium', pair().shots);
  shots(other, 40);
  one.fitLimbs('first');
  expect(pair()).toMatchObject({
    shots: 140,
    stays: [
      { bowName: 'One', shots: 100, stringOffs: 1, isOn: false },
      { bowName: 'Other', shots: 40, stringOffs: 1, isOn: true },
    ],
  });
  one.fitLimbs('medium', pair().shots);
  shots(one, 10);
  expect(pair().shots).toBe(150);
  expect(countUse(one.state).perLimbs.get('medium')).toEqual({ shots: 110, stringOffs: 2 });
});

it('what two bows came with are two pairs, named by their bow', () => {
  const [one, other] = [new BowLog({ name: 'One' }), new BowLog({ name: 'Other' })];
  shots(one, 30);
  other.fitLimbs('a', 30);
  shots(other, 5);
  const limbs = workshopLimbs([called(one.state, 'a'), called(other.state, 'b')]);
  expect(limbs.map(({ limbsId, shots: had }) => [limbsId, had])).toEqual([
    ['a', 35],
    ['b', 0],
  ]);
  expect(limbs[1]!.described).toBe('the limbs Other came with');
});

it('other limbs are looked over and their brace read before a shot', () => {
  const log = new BowLog().settle();
  expect(shootingBars(log.state)).toEqual([]);
  log.fitLimbs('longer');
  expect(shootingBars(log.state)).toEqual(['notAssembled', 'braceUnread']);
  log.add({ kind: 'stepConfirmed', step: 'inspect', note: '' });
  log.read('braceHeight', 216);
  expect(shootingBars(log.state)).toEqual([]);
});

it('what a bolt does is learned of the limbs that are on, and known again when they come back', () => {
  const log = new BowLog();
  const turnAndRead = (perTurn: number) => {
    for (let turn = 0; turn < 6; turn += 1) {
      log.change('topBolt', turn % 2 === 0 ? 1 : -1);
      const top = 180 + (turn % 2 === 0 ? perTurn : 0);
      log.read('tillerTop', top, top, top);
      log.read('tillerBottom', 176, 176, 176);
      log.read('braceHeight', 216, 216, 216);
    }
  };
  const bolt = () => gainOf(log.state, 'tillerTop', 'topBolt')!;
  const prior = bolt();
  turnAndRead(prior.mean - 2);
  const learned = bolt();
  expect(learned.mean).toBeLessThan(prior.mean - 1);
  log.fitLimbs('longer');
  expect(bolt().mean).toBeCloseTo(prior.mean, 6);
  expect(bolt().changes).toBe(0);
  log.fitLimbs('first');
  expect(bolt().mean).toBeCloseTo(learned.mean, 2);
});

it('a reading begins anew with other limbs, and the look at them is counted from then', () => {
  const log = new BowLog();
  log.read('braceHeight', 216, 216, 216);
  shots(log, CARE_FACTS.limbs.usual.shots ?? 0);
  const due = () => {
    const { state } = log;
    return careList(state, instantMs(state.lastAt)).find(({ job }) => job === 'limbs')!.due;
  };
  expect(due()).toBe(true);
  log.fitLimbs('longer');
  expect(due()).toBe(false);
  log.read('braceHeight', 222, 222, 222);
  const present = presentReading(log.state, 'braceHeight')!;
  expect(present.value).toBeCloseTo(222, 0);
});

it('undoing the limbs brings back those before', () => {
  const log = new BowLog();
  const put = log.fitLimbs('longer');
  shots(log, 3);
  log.undo(put);
  expect(log.state.limbs.fitted).toMatchObject({ limbsId: 'first', shots: 3 });
});
