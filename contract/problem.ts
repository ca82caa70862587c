import { z } from 'zod';

/** Every refusal of the server has this shape (RFC 9457) and a stable code. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  code: z.string(),
  detail: z.string(),
  /** For input: where in the request, and what is wrong there. */
  issues: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof problemSchema>;
