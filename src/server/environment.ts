import { z } from 'zod';

const Environment = z.object({
  DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
  /** Seals the session cookies. */
  BREAKWATER_SECRET: z.string().min(32),
  /** "1": the demo people can be signed in as with one click. */
  BREAKWATER_DEMO: z.enum(['0', '1']).default('0'),
  /** "1" where the application is reached over https. */
  BREAKWATER_SECURE: z.enum(['0', '1']).default('0'),
});

let known: z.infer<typeof Environment> | undefined;

/** The settings the server was started with; a missing one stops it with its name. */
export function environment(): z.infer<typeof Environment> {
  return (known ??= Environment.parse(process.env));
}
