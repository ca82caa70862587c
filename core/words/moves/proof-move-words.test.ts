import { describe, expect, it } from 'vitest';
import type { MoveBecause } from '../../advice/move-because.ts';
import { POINTS_LOOKED_AT } from '../../craft/blame-list.ts';
import { BowLog } from '../../fixtures/bow-log.ts';
import type { AxisVerdict } from '../../groups/axis-verdict.ts';
import { proofAxisWords, proofSaysWords } from '../proof-words.ts';
import { openProofWords, proofMoveWords } from './proof-move-words.ts';

type Because = Extract<MoveBecause, { topic: 'proof' }>;
const { state } = new BowLog({ hand: 'right' });
const verdict = (offsetMm: number | null, plusMinusMm = 20) =>
  ({
    offsetMm,
    plusMinusMm: offsetMm === null ? null : plusMinusMm,
    odds: offsetMm === null ? null : { inside: 0.71, plus: 0.2, minus: 0.09 },
    call: 'undecided',
  }) as unknown as AxisVerdict;
const because = (next: object, facts: object = {}) =>
  ({
    topic: 'proof',
    session: { distanceM: 20 },
    standing: { point: 'broadhead', outward: verdict(60), up: verdict(-50), next, ...facts },
  }) as unknown as Because;
const said = (next: object, facts: object = {}) => proofMoveWords(state, because(next, facts));
const says = (next: object) => proofSaysWords(because(next).standing);

describe('the words of a proof', () => {
  it('say what to bring before it is begun', () => {
    expect(openProofWords({ topic: 'openProof', point: 'broadhead' })).toMatchObject({
      title: 'Prove it with broadheads',
      expect: 'Broadheads beside practice arrows at a distance that will be shot',
      doneLabel: 'To the range',
    });
  });

  it('ask for an end of both, with why', () => {
    expect(said({ kind: 'shoot', wants: 'first' })).toMatchObject({
      title: expect.stringMatching(/^Shoot \d practice and \d broadheads$/) as string,
      expect: 'Mixed in one end at 20 m, each at a mark of its own height',
      why: expect.stringMatching(/^Only beside practice arrows/) as string,
    });
    expect(said({ kind: 'shoot', wants: 'undecided' }).why).toMatch(/^Whether they land together/);
  });

  it('look points over before the bow is blamed, only at what is left to look at', () => {
    const [first, second] = POINTS_LOOKED_AT;
    const words = said({ kind: 'look', axis: 'bareShaftOutward', items: [second!.id] });
    // Outward is to the left of a right-hander.
    expect(words.why).toMatch(/^Broadheads land 6\.0 ± 2\.0 cm left of the practice arrows/);
    expect(words.reasons).toContain(second!.words);
    expect(words.reasons).not.toContain(first!.words);
    expect(said({ kind: 'look', axis: 'bareShaftUp', items: [] }).why).toContain(
      '5.0 ± 2.0 cm low',
    );
  });

  it('have no figure where none is known', () => {
    const next = { kind: 'look', axis: 'bareShaftOutward', items: [] };
    expect(said(next, { outward: verdict(null) }).why).toMatch(
      /^Broadheads land apart from the practice arrows\./,
    );
  });

  it('turn something with where it is expected to bring them, and what it is sized by', () => {
    const turn = (control: string, amount: number, axis: string, mm: number) =>
      said({
        kind: 'turn',
        axis,
        turn: {
          control,
          amount,
          before: { mm, plusMinusMm: 20 },
          after: { mm: 5, plusMinusMm: 25 },
        },
      });
    const point = turn('pointMass', 1, 'bareShaftOutward', 60);
    expect(point.expect).toBe('Expect broadheads 0.5 ± 2.5 cm left after it');
    expect(point.why).toContain('6.0 ± 2.0 cm left of the practice arrows: stiff.');
    expect(point.reasons.at(-1)).toContain('the same mass in front');
    const nock = turn('nockingPoint', -1, 'bareShaftUp', -50);
    expect(nock.expect).toContain('high after it');
    expect(nock.why).toContain('5.0 ± 2.0 cm low of the practice arrows: nocking point high.');
    expect(nock.reasons.join(' ')).not.toContain('same mass in front');
    expect(turn('nockingPoint', 1, 'bareShaftUp', 50).why).toContain(': nocking point low.');
    expect(turn('pointMass', -1, 'bareShaftOutward', -60).why).toContain('right of the');
  });

  it('end with what is spent, or proved at its distance', () => {
    expect(said({ kind: 'spent', axis: 'bareShaftUp' })).toMatchObject({
      title: 'Nothing more to turn for broadheads',
      doneLabel: 'Understood',
    });
    expect(said({ kind: 'proved' })).toMatchObject({
      title: 'Broadheads land with the practice arrows',
      expect: 'Proved at 20 m',
    });
  });

  it('say in a line how it stands', () => {
    expect(says({ kind: 'proved' })).toBe('Broadheads land with the practice arrows.');
    for (const kind of ['look', 'turn', 'spent'])
      expect(says({ kind })).toBe('Broadheads land apart from the practice arrows.');
    expect(says({ kind: 'shoot', wants: 'first' })).toBe('No broadheads shot yet.');
    expect(says({ kind: 'shoot', wants: 'practice' })).toMatch(/^Whether they land together/);
    const { standing } = because({ kind: 'proved' });
    expect(proofAxisWords(standing, 'up', 'right')).toBe(
      'Up and down: 5.0 ± 2.0 cm low, inside with 71\u00a0%',
    );
    expect(proofAxisWords(standing, 'outward', 'right', 'in')).toMatch(/^Across: .* in left, /);
    expect(proofAxisWords({ ...standing, up: verdict(null) }, 'up', 'right')).toBeNull();
  });
});
