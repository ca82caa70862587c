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

/** The same for something asked of two things together, as a session within its bow's state. */
export function onceForPair<K extends object, L extends object, T>(
  workOut: (one: K, other: L) => T,
): (one: K, other: L) => T {
  const within = onceFor((one: K) => onceFor((other: L) => workOut(one, other)));
  return (one, other) => within(one)(other);
}
