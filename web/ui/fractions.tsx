import { Fragment } from 'react';

const FRACTION = /(?:(\d+) )?(\d+\/\d+)(?!\d)/g;

interface Piece {
  readonly text: string;
  readonly whole: string;
  readonly fraction: string | null;
}

function pieces(text: string): readonly Piece[] {
  const found: Piece[] = [];
  let from = 0;
  for (const match of text.matchAll(FRACTION)) {
    found.push({
      text: text.slice(from, match.index),
      whole: match[1] ?? '',
      fraction: match[2] ?? null,
    });
    from = match.index + match[0].length;
  }
  found.push({ text: text.slice(from), whole: '', fraction: null });
  return found;
}

/** Text whose n/d become real fractions; what is read aloud and copied stays `8 5/8`. */
export function Fractions({ text }: { readonly text: string }) {
  return pieces(text).map((piece, index) => (
    <Fragment key={index}>
      {piece.text}
      {piece.fraction !== null && (
        <span className="whitespace-nowrap">
          {piece.whole}
          {piece.whole !== '' && <span className="frac-gap"> </span>}
          <span className="frac">{piece.fraction}</span>
        </span>
      )}
    </Fragment>
  ));
}

/** The same inside an SVG text element. */
export function SvgFractions({ text }: { readonly text: string }) {
  return pieces(text).map((piece, index) => (
    <Fragment key={index}>
      {piece.text}
      {piece.whole}
      {piece.whole !== '' && <tspan className="frac-gap"> </tspan>}
      {piece.fraction !== null && <tspan className="frac">{piece.fraction}</tspan>}
    </Fragment>
  ));
}
