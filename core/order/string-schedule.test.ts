import { describe, expect, it } from 'vitest';
import { BowLog } from '../fixtures/bow-log.ts';
import { stringSchedule } from './string-schedule.ts';

/** A new string is looked at after 20, 50 and 100 shots. */
function fitted(): BowLog {
  const log = new BowLog();
  log.fitString('new one');
  return log;
}
const shoot = (log: BowLog, count: number) => log.add({ kind: 'shotsFired', count, note: '' });

describe('when a string that is shot in is looked at', () => {
  it('is after 20, 50 and 100 shots, and then no more', () => {
    const log = fitted();
    log.read('braceHeight', 216);
    expect(stringSchedule(log.state)).toEqual({ shots: 0, due: null, next: 20 });
    shoot(log, 19);
    expect(stringSchedule(log.state)).toEqual({ shots: 19, due: null, next: 20 });
    shoot(log, 1);
    expect(stringSchedule(log.state)).toEqual({ shots: 20, due: 20, next: 50 });
    log.read('braceHeight', 215);
    expect(stringSchedule(log.state)).toEqual({ shots: 20, due: null, next: 50 });
    shoot(log, 80);
    // Two checks have gone by: the later one is the one that is due.
    expect(stringSchedule(log.state)).toEqual({ shots: 100, due: 100, next: null });
    log.read('braceHeight', 215);
    expect(stringSchedule(log.state)).toEqual({ shots: 100, due: null, next: null });
  });

  it('counts no reading of the string before', () => {
    const log = new BowLog();
    log.read('braceHeight', 216);
    shoot(log, 30);
    log.read('braceHeight', 216);
    log.fitString('new one');
    shoot(log, 25);
    expect(stringSchedule(log.state)).toEqual({ shots: 25, due: 20, next: 50 });
  });

  it('is due though brace was never read at all', () => {
    const log = fitted();
    shoot(log, 50);
    expect(stringSchedule(log.state)).toMatchObject({ due: 50 });
  });

  it('is none for a string that was shot in before, but one for the string a bow came with', () => {
    const log = new BowLog();
    shoot(log, 20);
    expect(stringSchedule(log.state)).toEqual({ shots: 20, due: 20, next: 50 });
    log.add({
      kind: 'itemFitted',
      item: 'string',
      described: 'shot in',
      touches: [],
      string: { stringId: 'shot in', material: 'lowStretch', shotsBefore: 400 },
    });
    shoot(log, 20);
    expect(stringSchedule(log.state)).toEqual({ shots: 420, due: null, next: null });
  });
});
