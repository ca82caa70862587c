import { describe, expect, it } from 'vitest';
import { CAUTIONS, type CautionId } from './cautions.ts';
import { STEPS, type StepId, stepsFor } from './steps.ts';

/** What the craft warns of at each step, and the words that must not be lost from it. */
const AT_STEP: readonly (readonly [StepId, CautionId | null, readonly RegExp[]])[] = [
  ['purpose', 'holdable', [/held ten seconds/, /harms shoulders/, /local law/]],
  ['inspect', 'inspect', [/crack/i, /lifted layer/, /twisted limb/, /do not draw/, /technician/]],
  ['fitOut', null, []],
  ['nockFit', 'dryFire', [/Never let go .* without an arrow/, /loose nock/, /light arrow/]],
  ['drawWeight', 'scale', [/safe direction/, /never toward anyone/, /hand on the string/]],
  [
    'roughBrace',
    'unstring',
    [/stringer/, /never step through/, /face/, /loops seated/, /let down, never let go/],
  ],
  ['roughTiller', 'bolts', [/Unstring first/, /maker’s travel/, /lock/, /both limbs sit/]],
  ['limbLine', 'bolts', [/Unstring first/]],
  ['restAndPlunger', 'glue', [/Ventilate/, /No flame/]],
  ['nockingPoint', null, []],
  ['centreShot', null, []],
  ['clickerLength', 'shaftLength', [/longest draw/, /someone watching the point/]],
  ['shootIn', 'dryFire', [/without an arrow/]],
  ['braceSearch', 'unstring', [/stringer/]],
  [
    'bareShaft',
    'bareShafts',
    [/big butt/, /nobody beside/, /5 to 6 m, then 10/, /range officer come first/],
  ],
  ['walkBack', 'bareShafts', [/Range rules/]],
  ['fineTuning', 'shafts', [/hard hit/, /flex/, /listen to carbon/, /Splinters/]],
  ['sightMarks', null, []],
  ['proof', 'proof', [/Range rules first/, /covered quiver/, /wrench/, /local law/]],
  ['fix', 'glue', [/Ventilate/, /No flame/]],
];

describe('the caution of a step', () => {
  it.each(AT_STEP)('%s: %s', (step, caution, words) => {
    const facts = STEPS.find(({ id }) => id === step)!;
    expect(facts.caution).toBe(caution);
    for (const word of words) expect(CAUTIONS[caution!]).toMatch(word);
  });

  it('is the same in every school that has the step', () => {
    expect(STEPS.map(({ id }) => id)).toEqual(AT_STEP.map(([step]) => step));
    for (const school of ['sighted', 'barebow', 'shelfTarget', 'shelfHunting'] as const)
      for (const { id, caution } of stepsFor(school))
        expect(caution).toBe(AT_STEP.find(([step]) => step === id)![1]);
  });
});

describe('cautions of moves alone', () => {
  it.each<readonly [CautionId, readonly RegExp[]]>([
    ['cutting', [/cannot be undone/, /fall behind the rest and into the hand/]],
    ['braceLimit', [/Do not shoot outside the maker’s brace range/, /technician/]],
    ['paper', [/clear range behind/i]],
  ])('%s says what can happen', (caution, words) => {
    for (const word of words) expect(CAUTIONS[caution]).toMatch(word);
  });
});
