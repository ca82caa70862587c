import { CAUTIONS } from '#core/craft/cautions.ts';
import { useState } from 'react';
import type { Hand } from '#core/craft/bow-terms.ts';
import { outwardFromRight, rightFromOutward, sideOf } from '#core/craft/handedness.ts';
import { showButtDistance } from '#core/quantity/show.ts';
import type { PaperTear } from '#core/log/range-records.ts';
import { tearsAgree } from '#core/bare-shaft/evidence.ts';
import { tearsOfOneDistance } from '#core/bare-shaft/session-evidence.ts';
import { TextField } from '../../ui/text-field.tsx';

const SIZE = 320;
/** Half the width of what the sheet shows, mm. */
const REACH_MM = 60;
const PX_PER_MM = SIZE / 2 / REACH_MM;
/** Less than this is no tear but the arrow's own hole. */
const CLEAN_MM = 6;
const SHOWN = 5;

interface Tail {
  readonly outwardMm: number;
  readonly upMm: number;
}

/** A sheet of paper: drag from the point's hole to where the tail cut through. */
export function PaperSheet({
  tears,
  hand,
  onTear,
}: {
  readonly tears: readonly PaperTear[];
  readonly hand: Hand;
  readonly onTear: (tear: Tail & { readonly distanceM: number }) => void;
}) {
  const [tail, setTail] = useState<Tail>({ outwardMm: 0, upMm: 0 });
  const [distance, setDistance] = useState(String(tears.at(-1)?.distanceM ?? 2));
  const distanceM = Number(distance);
  const good = distance.trim() !== '' && distanceM >= 1 && distanceM <= 30;
  const put = (event: React.PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = ((event.clientX - box.left) / box.width - 0.5) * 2 * REACH_MM;
    const y = (0.5 - (event.clientY - box.top) / box.height) * 2 * REACH_MM;
    setTail({ outwardMm: Math.round(outwardFromRight(x, hand)), upMm: Math.round(y) });
  };
  const nudge = (rightMm: number, upMm: number) =>
    setTail((before) => ({
      outwardMm: before.outwardMm + outwardFromRight(rightMm, hand),
      upMm: before.upMm + upMm,
    }));
  const px = (mm: Tail) => ({
    x: SIZE / 2 + rightFromOutward(mm.outwardMm, hand) * PX_PER_MM,
    y: SIZE / 2 - mm.upMm * PX_PER_MM,
  });
  const last = tears.slice(-SHOWN);
  return (
    <div className="grid grid-cols-1 gap-6 @form:grid-cols-[20rem_1fr]">
      <p className="@form:col-span-2">{CAUTIONS.paper}</p>
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-full touch-none border border-ink"
        role="application"
        tabIndex={0}
        aria-label={`Paper. Tail ${tailWords(tail, hand)} of the point. Arrow keys move it.`}
        data-testid="paper"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          put(event);
        }}
        onPointerMove={(event) => {
          if (event.buttons === 1) put(event);
        }}
        onKeyDown={(event) => {
          const step = event.shiftKey ? 10 : 1;
          const way = {
            ArrowLeft: [-1, 0],
            ArrowRight: [1, 0],
            ArrowUp: [0, 1],
            ArrowDown: [0, -1],
          }[event.key];
          if (way === undefined) return;
          event.preventDefault();
          nudge((way[0] ?? 0) * step, (way[1] ?? 0) * step);
        }}
      >
        {[-50, -25, 25, 50].map((mm) => (
          <path
            key={mm}
            className="s-faint"
            d={`M${SIZE / 2 + mm * PX_PER_MM} 0V${SIZE}M0 ${SIZE / 2 + mm * PX_PER_MM}H${SIZE}`}
            aria-hidden
          />
        ))}
        {last.map((tear) => (
          <path
            key={tear.entryId}
            className="s-hair"
            d={`M${SIZE / 2} ${SIZE / 2}L${px(tear).x} ${px(tear).y}`}
            aria-hidden
          />
        ))}
        <TearFigure to={px(tail)} />
      </svg>
      <div>
        <p className="text-mid leading-tight font-[560]">{readingWords(tail, hand)}</p>
        <p className="mt-1 text-note text-ink-2">
          Tail {tailWords(tail, hand)} of the point hole. Drag on the sheet, or use the arrow keys.
        </p>
        <div className="mt-3 w-32">
          <TextField label="Paper at, m" value={distance} decimal onChange={setDistance} />
        </div>
        <button
          type="button"
          className="btn-ink mt-3"
          disabled={!good}
          onClick={() => {
            onTear({ ...tail, distanceM });
            setTail({ outwardMm: 0, upMm: 0 });
          }}
        >
          Write this tear down
        </button>
        <h3 className="mt-5 font-[640]">Torn so far</h3>
        {last.length === 0 ? (
          <p className="text-ink-2">Nothing yet. One tear proves nothing: two that agree do.</p>
        ) : (
          <>
            <ul className="text-plain">
              {last.toReversed().map((tear) => (
                <li key={tear.entryId}>
                  {tear.distanceM} m: tail {tailWords(tear, hand)}
                </li>
              ))}
            </ul>
            <p className="mt-1 text-note text-ink-2">
              {repeatWords(tearsOfOneDistance(last))}
              {last.some((tear) => tear.distanceM !== last.at(-1)?.distanceM) &&
                ` Only those at ${last.at(-1)?.distanceM} m count: at another distance the arrow is at another place of its swing.`}
            </p>
          </>
        )}
      </div>
    </div>
  );
}

/** The hole of the point, the slit, and the three cuts of the fletching. */
function TearFigure({ to }: { readonly to: { readonly x: number; readonly y: number } }) {
  const cuts = [90, 210, 330].map((degrees) => {
    const angle = (degrees * Math.PI) / 180;
    return `M${to.x} ${to.y}l${(15 * Math.cos(angle)).toFixed(1)} ${(-15 * Math.sin(angle)).toFixed(1)}`;
  });
  return (
    <g aria-hidden>
      <path className="s-thin dash" d={`M${SIZE / 2} ${SIZE / 2}L${to.x} ${to.y}`} />
      <circle className="s-bold f-sheet" cx={SIZE / 2} cy={SIZE / 2} r={6} />
      <path className="s-bold" d={cuts.join('')} />
    </g>
  );
}

function tailWords({ outwardMm, upMm }: Tail, hand: Hand): string {
  return `${showButtDistance(outwardMm, 'cm')} ${sideOf(outwardMm, hand)}, ${showButtDistance(upMm, 'cm')} ${upMm >= 0 ? 'high' : 'low'}`;
}

/** By hand: a tail outward is weak, inward stiff; a tail high is a nocking point high. */
function readingWords({ outwardMm, upMm }: Tail, hand: Hand): string {
  const across =
    Math.abs(outwardMm) < CLEAN_MM
      ? null
      : `${outwardMm > 0 ? 'weak' : 'stiff'} (tail ${sideOf(outwardMm, hand)})`;
  const upDown = Math.abs(upMm) < CLEAN_MM ? null : `nocking point ${upMm > 0 ? 'high' : 'low'}`;
  const parts = [upDown, across].filter((part) => part !== null);
  return parts.length === 0 ? 'A clean hole.' : `Looks ${parts.join(', ')}.`;
}

function repeatWords(tears: readonly PaperTear[]): string {
  const across = tearsAgree(tears.map(({ outwardMm }) => outwardMm));
  const upDown = tearsAgree(tears.map(({ upMm }) => upMm));
  if (tears.length < 2) return 'One tear proves nothing: tear another.';
  if (across && upDown) return 'They repeat: they count beside the impact.';
  if (!across && !upDown) return 'They do not repeat: form, nock fit or contact first.';
  return across ? 'They repeat across, not up and down.' : 'They repeat up and down, not across.';
}
