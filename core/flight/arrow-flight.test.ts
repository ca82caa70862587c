import { describe, expect, it } from 'vitest';
import { elevationFor, flightAt, GRAVITY_MPS2 } from './arrow-flight.ts';

const NO_DRAG = { speedMps: 55, dragPerM: 0 };
/** ½ · 1.2 · 2 · π/4 · (6 mm)² / 22 g. */
const USUAL = { speedMps: 55, dragPerM: 0.00154 };

describe('an arrow in the air', () => {
  it('without drag is the parabola, to a hundredth of a per cent of its fall', () => {
    for (const distanceM of [5, 18, 50, 70, 90])
      for (const elevationRad of [-0.02, 0, 0.05, 0.2]) {
        const vx = NO_DRAG.speedMps * Math.cos(elevationRad);
        const fallM = (GRAVITY_MPS2 * distanceM ** 2) / (2 * vx ** 2);
        const expected = distanceM * Math.tan(elevationRad) - fallM;
        const at = flightAt(NO_DRAG, elevationRad, distanceM)!;
        expect(Math.abs(at.upM - expected)).toBeLessThan(1e-4 * fallM);
        expect(at.timeS).toBeCloseTo(distanceM / vx, 6);
      }
  });

  it('falls the same to a tenth of a millimetre at 90 m when the step is halved', () => {
    for (const dragPerM of [0.001, 0.002, 0.004]) {
      const flight = { speedMps: 45, dragPerM };
      const whole = flightAt(flight, 0.15, 90)!;
      const half = flightAt(flight, 0.15, 90, 2.5)!;
      expect(Math.abs(whole.upM - half.upM)).toBeLessThan(1e-4);
    }
  });

  it('shot flat, its speed falls by e to the way travelled', () => {
    // Level and without gravity's share: 1/v grows as e^(k x).
    const at = flightAt({ speedMps: 60, dragPerM: 0.002 }, 0, 40)!;
    const expected = (Math.exp(0.002 * 40) - 1) / (0.002 * 60);
    expect(Math.abs(at.timeS / expected - 1)).toBeLessThan(0.002);
  });

  it('falls more with more drag and less speed', () => {
    const fall = (speedMps: number, dragPerM: number) =>
      flightAt({ speedMps, dragPerM }, 0.05, 50)!.upM;
    expect(fall(55, 0.003)).toBeLessThan(fall(55, 0.0015));
    expect(fall(50, 0.0015)).toBeLessThan(fall(55, 0.0015));
  });

  it('never comes where it cannot', () => {
    expect(flightAt({ speedMps: 20, dragPerM: 0.01 }, 0.1, 500)).toBeNull();
    expect(elevationFor({ speedMps: 20, dragPerM: 0 }, 90, 0)).toBeNull();
  });
});

describe('the elevation for a distance', () => {
  it('hits what it was reckoned for', () => {
    for (const distanceM of [5, 18, 30, 70, 90])
      for (const upM of [-1, 0, 0.12]) {
        const elevation = elevationFor(USUAL, distanceM, upM)!;
        expect(flightAt(USUAL, elevation, distanceM)!.upM).toBeCloseTo(upM, 4);
      }
  });

  it('without drag is half the arcsine of g d / v²', () => {
    for (const distanceM of [18, 50, 90])
      expect(elevationFor(NO_DRAG, distanceM, 0)!).toBeCloseTo(
        Math.asin((GRAVITY_MPS2 * distanceM) / NO_DRAG.speedMps ** 2) / 2,
        6,
      );
  });
});
