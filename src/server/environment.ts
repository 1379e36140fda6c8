import { z } from 'zod';

const Environment = z.object({
  DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
  /** Seals the session cookies. */
  BREAKWATER_SECRET: z.string().min(32),
  /** "1": the demo people can be signed in as with one click. */
  BREAKWATER_DEMO: z.enum(['0', '1']).default('0'),
  /** Where people reach the application: scheme, host and port. Without it, it is reached on this machine only. */
  BREAKWATER_ORIGIN: z
    .url({ protocol: /^https?$/ })
    .refine(
      (text) => URL.canParse(text) && new URL(text).origin === text,
      'BREAKWATER_ORIGIN is like https://colours.example, with nothing after it.',
    )
    .optional(),
  /** Set by Next.js: the port it listens on. */
  PORT: z.coerce.number().int().optional(),
});

let known: z.infer<typeof Environment> | undefined;

/** The settings the server was started with; a missing one stops it with its name. */
export function environment(): z.infer<typeof Environment> {
  return (known ??= Environment.parse(process.env));
}
