/** A figure with what it must not go under or over. */
export interface Judged {
  readonly name: string;
  readonly figure: number;
  readonly least?: number;
  readonly most?: number;
}

/** Prints each figure beside its bound; the process ends with 1 when one is missed. */
export function judged(figures: readonly Judged[]): void {
  for (const { name, figure, least, most } of figures) {
    const missed = figure < (least ?? -Infinity) || figure > (most ?? Infinity);
    const bound = [
      ...(least === undefined ? [] : [`at least ${least}`]),
      ...(most === undefined ? [] : [`at most ${most}`]),
    ].join(', ');
    console.log(
      `${missed ? 'MISSED' : '      '} ${name.padEnd(58)} ${figure.toFixed(2).padStart(8)}   ${bound}`,
    );
    if (missed || Number.isNaN(figure)) process.exitCode = 1;
  }
}

/** `--seed N --bows N` of the command line, or what stands in for them. */
export function benchOptions(otherwise: { readonly seed: number; readonly bows: number }): {
  readonly seed: number;
  readonly bows: number;
} {
  const given = (name: string, value: number) => {
    const at = process.argv.indexOf(`--${name}`);
    return at < 0 ? value : Number(process.argv[at + 1]);
  };
  return { seed: given('seed', otherwise.seed), bows: given('bows', otherwise.bows) };
}
