/** What has to be measured before a shaft is recommended. */
export function missingForShaftWords(missing: readonly ('weight' | 'draw')[]): string {
  const said = missing.map((one) =>
    one === 'weight' ? 'the weight on the fingers (w)' : 'the longest draw (dl)',
  );
  return `No shaft is recommended before ${said.join(' and ')} is measured: too soft it breaks, too short it falls behind the rest.`;
}

/** What follows from each thing a test set may show, shot bare. */
export function testSetWords(testSet: readonly number[]): readonly string[] {
  const stiffest = testSet[0];
  const weakest = testSet.at(-1);
  return [
    'Each with the same point, left long, from 5 to 6 m, then 10.',
    'One lands with the fletched: that one, and a dozen of it.',
    `The line lies between two: the stiffer of them, left long, with a heavier point.`,
    `Even ${weakest} is stiff: a heavier point first, then a step softer than it.`,
    `Even ${stiffest} is weak: a lighter point first, then a step stiffer than it. Nothing is cut for it.`,
  ];
}
