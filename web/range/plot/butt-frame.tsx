import type { ButtView } from './butt-view.ts';

/** A label nearer the top edge than this would be cut. */
const HALF_LABEL_PX = 7;
/** Half a character of a label, about. */
const LABEL_CHARACTER_PX = 4;

/** The axes of the butt with their ticks and labels, and the ground that is tapped. */
export function ButtFrame({ view, unit }: { readonly view: ButtView; readonly unit: string }) {
  const { width, height } = view;
  return (
    <g aria-hidden>
      <rect x={0} y={0} width={width} height={height} fill="transparent" />
      {view.ticksY
        .filter((tick) => tick.label !== null)
        .map((tick) => (
          <path key={tick.at} className="s-faint" d={`M0 ${tick.at}H${width}`} />
        ))}
      <path className="s-thin" d={`M0 0V${height}H${width}`} />
      <path
        className="s-dim"
        d={
          view.ticksX
            .map((tick) => `M${tick.at} ${height}v${tick.label === null ? 4 : 9}`)
            .join('') +
          view.ticksY.map((tick) => `M0 ${tick.at}h${tick.label === null ? -4 : -9}`).join('')
        }
      />
      {view.ticksX.map((tick, index) => {
        if (tick.label === null) return null;
        const label = index > view.ticksX.length - 6 ? `${tick.label} ${unit}` : tick.label;
        // The last one has the unit, and stays inside where its tick stands at the edge.
        const isCut = tick.at > width - LABEL_CHARACTER_PX * label.length;
        return (
          <text
            key={tick.at}
            className="t-note"
            x={isCut ? width : tick.at}
            y={height + 22}
            textAnchor={isCut ? 'end' : 'middle'}
          >
            {label}
          </text>
        );
      })}
      {view.ticksY.map(
        (tick) =>
          tick.label !== null &&
          tick.at > HALF_LABEL_PX && (
            <text key={tick.at} className="t-note" x={-13} y={tick.at + 4} textAnchor="end">
              {tick.label}
            </text>
          ),
      )}
    </g>
  );
}
