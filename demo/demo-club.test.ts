import { describe, expect, it } from 'vitest';
import type { LoggedEntry } from '#core/log/entry.ts';
import { heightsShown } from '#core/brace-search/curve-shown.ts';
import { openSearch, searchStanding } from '#core/brace-search/search-standing.ts';
import { foldLog } from '#core/log/fold.ts';
import { sessionVerdict } from '#core/bare-shaft/bare-shaft-evidence.ts';
import { spokenMove } from '#core/fixtures/spoken-move.ts';
import { stepStates } from '#core/order/step-states.ts';
import { demoClub } from './demo-club.ts';

const NOW_MS = Date.UTC(2026, 4, 1, 12);
const states = demoClub(NOW_MS).map((entries) =>
  foldLog(entries.map((entry, index): LoggedEntry => ({ ...entry, seq: index + 1 }))),
);
const bow = (name: string) => {
  const found = states.find((state) => state?.bow.name === name);
  if (found == null) throw new Error(`no ${name}`);
  return found;
};

describe('the invented club', () => {
  it('has eight bows of six members and a kit in parts for each school', () => {
    const whole = states.filter((state) => state?.bow.inParts === false);
    expect(whole).toHaveLength(8);
    expect(new Set(whole.map((state) => state?.bow.owner)).size).toBe(6);
    const kits = states.filter((state) => state?.bow.inParts === true);
    expect(new Set(kits.map((state) => state?.bow.school)).size).toBe(4);
    // Nothing but practice has been done with any of them.
    for (const kit of kits) {
      expect(kit?.readings.size).toBe(0);
      expect(kit?.changes).toEqual([]);
      expect(kit?.shotsInAll).toBe(0);
    }
  });

  it('is the same every time for the same moment, and never in the future', () => {
    expect(demoClub(NOW_MS)).toEqual(demoClub(NOW_MS));
    for (const entries of demoClub(NOW_MS))
      for (const entry of entries) expect(Date.parse(entry.at)).toBeLessThanOrEqual(NOW_MS);
  });

  it('tells Heron’s story: a string that crept, a stiff arrow mended, brace now low', () => {
    const heron = bow('Heron');
    expect(heron.bow).toMatchObject({ hand: 'left', amoLengthIn: 66, lengthUnit: 'in' });
    const [first, second, third] = heron.sessions.map((session) => sessionVerdict(heron, session));
    expect(first?.outward.offsetMm ?? 0).toBe(0); // spoke before the change; nothing of it counts now
    expect(second?.outward.offsetMm).toBeGreaterThan(0);
    expect(third?.done).toBe(true);
    expect(spokenMove(heron, NOW_MS)?.title).toMatch(/twists in/);
  });

  it('has a search of five heights in Heron’s history, and one half done on a kit', () => {
    const heron = bow('Heron');
    const standing = searchStanding(heron, heron.searches[0]!);
    expect(standing.judged?.curve.tried).toBe(5);
    expect(standing.stringOffs).toBe(4);
    const { settledMm } = heron.searches[0]!.closed!;
    const quietest = heightsShown(standing).toSorted((a, b) => a.level!.db - b.level!.db)[0]!;
    expect(Math.abs(quietest.heightMm - settledMm!)).toBeLessThan(1.2);
    const kit = bow('Kit C');
    const practice = openSearch(kit)!;
    expect(practice.practiceSeed).toBeDefined();
    expect(searchStanding(kit, practice)).toMatchObject({ next: { kind: 'twist' } });
  });

  it('has an honest “undecided”, a bow that is stale, and one nearly done', () => {
    const wren = bow('Wren');
    expect(sessionVerdict(wren, wren.sessions[0]!).up.call).toBe('undecided');
    expect(
      stepStates(bow('Kestrel')).filter((status) => status.state === 'stale').length,
    ).toBeGreaterThan(3);
    expect(stepStates(bow('Curlew')).filter((status) => status.state !== 'holds')).toHaveLength(1);
  });
});
