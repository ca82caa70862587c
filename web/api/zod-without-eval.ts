import { z } from 'zod';

// Zod compiles schemas with the Function constructor where it may; our content policy forbids that,
// and its probe alone would log an error. Imported before any schema is made.
z.config({ jitless: true });
