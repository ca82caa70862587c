import { z } from 'zod';
import { MOST_FROM_MARK_MM } from '../../craft/range-terms.ts';

export const attitude = z.strictObject({
  outwardDeg: z.number().min(-45).max(45),
  upDeg: z.number().min(-45).max(45),
});
export const buttMm = z.number().min(-MOST_FROM_MARK_MM).max(MOST_FROM_MARK_MM);
export const distanceM = z.number().min(2).max(120);
export const endNumber = z.int().min(1).max(500);
export const arrowNumber = z.int().min(1).max(99);
