import { useRef } from 'react';
import { outwardFromRight } from '#core/craft/handedness.ts';
import type { Hand } from '#core/craft/bow-terms.ts';
import type { Plot } from './use-plot.ts';

/** The plot by keys alone: commands, nudges, and figures typed after a letter. */
export function usePlotKeys(plot: Plot, hand: Hand): (event: React.KeyboardEvent) => void {
  /** A figure being typed after `a` (degrees of the nock) or `n` (number of the shaft). */
  const typing = useRef<{
    readonly what: 'attitude' | 'number';
    readonly digits: string;
  } | null>(null);
  return (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const arrow = ARROWS[event.key];
    const typed = typing.current;
    if (typed !== null && /^\d$/.test(event.key)) {
      typing.current = { ...typed, digits: typed.digits + event.key };
      event.preventDefault();
      return;
    }
    const figure = typed === null || typed.digits === '' ? null : Number(typed.digits);
    typing.current = null;
    if (event.key === 'a' || event.key === 'n') {
      typing.current = { what: event.key === 'a' ? 'attitude' : 'number', digits: '' };
    } else if (typed?.what === 'number' && event.key === 'Enter') {
      if (figure !== null && figure >= 1) plot.setArrowNumber(Math.min(99, figure));
    } else if (arrow !== undefined && typed?.what === 'attitude' && figure !== null) {
      const degrees = Math.min(45, figure);
      plot.setAttitude(
        arrow.right === 0
          ? { upDeg: arrow.up * degrees }
          : { outwardDeg: outwardFromRight(arrow.right * degrees, hand) },
      );
    } else if (arrow !== undefined) {
      const mm = event.shiftKey ? 10 : 1;
      plot.nudge(outwardFromRight(arrow.right * mm, hand), arrow.up * mm);
    } else if (!command(event.key, plot)) return;
    event.preventDefault();
  };
}

const ARROWS: Readonly<Record<string, { readonly right: number; readonly up: number }>> = {
  ArrowLeft: { right: -1, up: 0 },
  ArrowRight: { right: 1, up: 0 },
  ArrowUp: { right: 0, up: 1 },
  ArrowDown: { right: 0, up: -1 },
};

/** Single-key commands of the focused plot; true when the key was one. */
function command(key: string, plot: Plot): boolean {
  switch (key) {
    case 'f':
      plot.setArrow('fletched');
      return true;
    case 'b':
      plot.setArrow('bare');
      return true;
    case 'h':
      plot.setArrow('broadhead');
      return true;
    case 't':
      plot.setArrow('targetPoint');
      return true;
    case 'c':
      plot.toggleBad();
      return true;
    case 'u':
      plot.undoLast();
      return true;
    case 'e':
      plot.nextEnd();
      return true;
    case ',':
      plot.step(-1);
      return true;
    case '.':
      plot.step(1);
      return true;
    case 'Enter':
      plot.place([{ outwardMm: plot.selected?.outwardMm ?? 0, upMm: plot.selected?.upMm ?? 0 }]);
      return true;
    default:
      return false;
  }
}
