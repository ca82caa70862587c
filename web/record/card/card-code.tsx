import encodeQR from 'qr';

/** Clear modules around the code, as its standard asks. */
const QUIET = 4;

/** A card's text as a code a phone reads without a network. Modules never below half a millimetre. */
export function CardCode({ text }: { readonly text: string }) {
  const rows = encodeQR(text, 'raw', { ecc: 'medium', border: QUIET });
  const size = rows.length;
  const dark = rows
    .flatMap((row, y) => row.map((isDark, x) => (isDark ? `M${x} ${y}h1v1h-1z` : '')))
    .join('');
  return (
    <svg
      className="card-code"
      viewBox={`0 0 ${size} ${size}`}
      style={{ width: `${size * MODULE_MM}mm`, height: `${size * MODULE_MM}mm` }}
      shapeRendering="crispEdges"
      role="img"
      aria-label="Code that carries the figures of this card"
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={dark} fill="#000" />
    </svg>
  );
}

const MODULE_MM = 0.5;
