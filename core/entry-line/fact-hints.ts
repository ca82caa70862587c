import type { FactId } from './codes.ts';

/** How each fact is typed, said while its code stands on the line. */
export const FACT_HINTS: Readonly<Record<FactId, string>> = {
  twistCount: 'Type how many twists are in the string.',
  boltsOut: 'Type the turns out from the stop, like 1 1/2; two numbers when top and bottom differ.',
  limbMark: 'Type the weight on the limb and the draw it is marked at, like 34 28.',
  makerBrace: 'Type the lowest and the highest brace the maker allows, like 8 1/4 8 3/4.',
  makerTravel: 'Type how many turns out the maker allows.',
  makerScrews: 'Type how many turns the maker allows a pocket’s side screws.',
  makerArrow: 'Type the lightest arrow the maker allows, like 350 gr.',
  arrowMass: 'Type what the whole arrow weighs, like 380 gr.',
  shaftMass: 'Type the number on the shaft and what it weighs whole, like 3 380.',
  throatToPlunger: 'Type how much longer the brace reads to the plunger centre than to the throat.',
  crawl:
    'Type how far below the nock the hook stands at the distance shot most, in mm; 0 just under it.',
  window:
    'Type how far past the middle of the bow the window is cut, in mm; short of it with a minus.',
  band: 'Type b, t, w, n or cs and the lowest and highest you want, like band b 219 221.',
  shots: 'Type how many were shot.',
};
