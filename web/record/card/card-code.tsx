import encodeQR from 'qr';

/** No module is smaller, mm; a short text has larger ones in the same room. */
const LEAST_MODULE_MM = 0.5;
const MOST_MODULE_MM = 0.8;
const ROOM_MM = 40;
/** Clear modules around the code, as its standard asks. */
const QUIET = 4;

/** A card's text as a code a phone reads without a network. */
export function CardCode({ text }: { readonly text: string }) {
  const rows = encodeQR(text, 'raw', { ecc: 'medium', border: QUIET });
  const size = rows.length;
  const moduleMm = Math.min(MOST_MODULE_MM, Math.max(LEAST_MODULE_MM, ROOM_MM / size));
  const dark = rows
    .flatMap((row, y) => row.map((isDark, x) => (isDark ? `M${x} ${y}h1v1h-1z` : '')))
    .join('');
  return (
    <svg
      className="card-code"
      viewBox={`0 0 ${size} ${size}`}
      style={{ width: `${size * moduleMm}mm`, height: `${size * moduleMm}mm` }}
      shapeRendering="crispEdges"
      role="img"
      aria-label="Code that carries the figures of this card"
    >
      <rect width={size} height={size} fill="#fff" />
      <path d={dark} fill="#000" />
    </svg>
  );
}
