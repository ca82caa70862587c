import { expect, it } from 'vitest';
import { BowLog } from '../../fixtures/bow-log.ts';
import { spokenMove } from '../../fixtures/spoken-move.ts';

it('a bow without side screws is looked at, and given to a technician, not turned', () => {
  const log = new BowLog({
    bowKind: 'longbow',
    school: 'shelfHunting',
    hook: 'threeUnder',
    maker: {},
  }).settle({ nockingHeight: 16, braceHeight: 168, tillerTop: 180, tillerBottom: 180 });
  log.read('limbLineTop', 2);
  const move = spokenMove(log.state, log.nowMs);
  expect(move).toMatchObject({
    title: 'Look why the string leaves the top limb’s middle',
    expect: null,
    caution: 'inspect',
    doneLabel: 'Understood',
    wouldChange: 'A fresh look after stringing it again.',
    thenCheck: 'Limb line, top and bottom.',
    action: { kind: 'nothing' },
  });
  // Outward of a right-hander is left.
  expect(move?.why).toBe(
    'The string passes 2.0 mm left of the top gauge’s middle, and this bow has nothing to set it with.',
  );
  expect(move?.reasons).toEqual([
    'Loops in their grooves, limbs seated, the bow strung straight with the stringer: unstring, string again, look again.',
    'A limb that stays twisted is for a bow technician before the bow is drawn again.',
    'A crooked limb line is hidden later by side plate and spine.',
  ]);
});
