/**
 * What separates the cells of a table, by its first line: a tab where there is one, else a semicolon, else a comma.
 * Decimal commas go with the first two.
 */
export function separatorOf(text: string): '\t' | ';' | ',' {
  const [first = ''] = text.trimStart().split(/\r?\n/, 1);
  return (['\t', ';'] as const).find((one) => first.includes(one)) ?? ',';
}
