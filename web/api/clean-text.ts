/** Characters nobody can see, but for line ends and tabs. */
// eslint-disable-next-line no-control-regex
const CONTROL_CHARACTERS = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/g;

/**
 * Every text of an entry as the record takes it: whole characters, no control characters (a paste may
 * bring some), no blank at either end. What is not text is left as it is.
 */
export function cleanTexts<T>(value: T): T {
  if (typeof value === 'string')
    return value.toWellFormed().replaceAll(CONTROL_CHARACTERS, ' ').trim() as T;
  if (Array.isArray(value)) return value.map((one: unknown) => cleanTexts(one)) as T;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]: [string, unknown]) => [key, cleanTexts(inner)]),
  ) as T;
}
