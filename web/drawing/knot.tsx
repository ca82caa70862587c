/** How a knot looks; the word beside it says the same. */
export type KnotLook = 'whole' | 'open' | 'frayed' | 'next';

const LOOP = 'M0 -13C2 -8 7.5 -6 7.5 0S2 8 0 13C-2 8 -7.5 6 -7.5 0S-2 -8 0 -13Z';

function frayedEnds(way: 1 | -1): string {
  const g = way;
  return [
    `M1 ${g * 13}C0.6 ${g * 8} 3.5 ${g * 4.5} 10.5 ${g * 2.5}`,
    `M1 ${g * 11}C2 ${g * 7} 6 ${g * 6} 10.5 ${g * 7}`,
    `M0.8 ${g * 9}C1 ${g * 5} 2 ${g * 3} 5.5 ${g * 1.6}`,
  ].join('');
}

/** A knot of the order of work: whole = tight serving, open = strands apart, frayed = one parted. */
export function Knot({
  look,
  x,
  y,
}: {
  readonly look: KnotLook;
  readonly x: number;
  readonly y: number;
}) {
  return (
    <g transform={`translate(${x} ${y})`} aria-hidden>
      {look === 'whole' && (
        <>
          <rect className="f-ink" x={-6.5} y={-7} width={13} height={14} rx={3.2} />
          <path d="M-7 -0.2L7 -5M-7 4.8L7 0" fill="none" stroke="var(--sheet)" strokeWidth={1.5} />
        </>
      )}
      {look === 'open' && <path className="s-out" style={{ fill: 'var(--sheet)' }} d={LOOP} />}
      {look === 'next' && (
        <path
          className="s-accent-out"
          style={{ fill: 'var(--sheet)', strokeWidth: 2.5 }}
          d={LOOP}
        />
      )}
      {look === 'frayed' && (
        <path
          className="s-out"
          d={`M-1 -13C-4.5 -6 -4.5 6 -1 13${frayedEnds(-1)}${frayedEnds(1)}`}
        />
      )}
    </g>
  );
}

/** Two strands laid together, between knots. */
export function strands(x: number, from: number, to: number): readonly [string, string] {
  const wave = (phase: number) => {
    let path = '';
    for (let y = from; y <= to + 0.1; y += 1.5) {
      const sway = 2.1 * Math.sin((2 * Math.PI * (y - from)) / 13 + phase);
      path += `${path === '' ? 'M' : 'L'}${(x + sway).toFixed(2)} ${y.toFixed(2)}`;
    }
    return path;
  };
  return [wave(0), wave(Math.PI)];
}
