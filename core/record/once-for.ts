/**
 * Works something out once for each thing it is asked of. For things that never change once made, as
 * a log that was read or the state folded from it: page, bar and advice all ask the same of it.
 *
 * @param workOut a pure function
 */
export function onceFor<K extends object, T>(workOut: (thing: K) => T): (thing: K) => T {
  const known = new WeakMap<K, { readonly value: T }>();
  return (thing) => {
    let found = known.get(thing);
    if (found === undefined) {
      found = { value: workOut(thing) };
      known.set(thing, found);
    }
    return found.value;
  };
}
