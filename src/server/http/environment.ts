import ipaddr from 'ipaddr.js';
import { z } from 'zod';

const Environment = z.object({
  BREAKWATER_DATABASE_URL: z.url({ protocol: /^postgres(ql)?$/ }),
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
  /** Where it listens: on this machine only, unless a proxy on another machine is to reach it. */
  BREAKWATER_HOST: z.string().max(255).default('127.0.0.1'),
  PORT: z.coerce.number().int().min(1).max(65_535).default(3_000),
  /** Proxies whose word counts about whom they ask for: addresses or networks (CIDR), with commas between. */
  BREAKWATER_PROXY: z.string().max(2_000).optional(),
  /** Where notifications are listened for: the database itself, when BREAKWATER_DATABASE_URL leads to a pooler that lends connections by transaction. */
  BREAKWATER_LISTEN_URL: z.url({ protocol: /^postgres(ql)?$/ }).optional(),
  /** The organisation's own provider of sign-in (OpenID Connect): its issuer, which is reached by TLS unless it is on this machine. */
  BREAKWATER_OIDC_ISSUER: z
    .url({ protocol: /^https?$/ })
    .refine(
      (text) => !text.startsWith('http:') || /^http:\/\/(127\.0\.0\.1|localhost)(:\d+)?(\/|$)/.test(text),
      'BREAKWATER_OIDC_ISSUER is reached by https.',
    )
    .optional(),
  BREAKWATER_OIDC_CLIENT_ID: z.string().min(1).max(500).optional(),
  BREAKWATER_OIDC_CLIENT_SECRET: z.string().min(1).max(500).optional(),
  /** What the button is called that leads there. */
  BREAKWATER_OIDC_NAME: z.string().min(1).max(60).default('your organisation'),
  /** Whom it may reach at a person's word: `public` addresses only; besides those some networks (CIDR), with commas between; or `off`. */
  BREAKWATER_REACH: z
    .string()
    .max(2_000)
    .refine(
      (text) => text === 'off' || text === 'public' || text.split(',').every((part) => ipaddr.isValidCIDR(part.trim())),
      'BREAKWATER_REACH is off, public, or networks such as 10.1.0.0/16 with commas between.',
    )
    .default('public'),
  /** Whoever sends it as a bearer may ask for /health and /metrics from elsewhere. */
  BREAKWATER_OPERATIONS_TOKEN: z.string().min(20).optional(),
});

let known: z.infer<typeof Environment> | undefined;

/** The settings the server was started with; a missing one stops it with its name. */
export function environment(): z.infer<typeof Environment> {
  return (known ??= Environment.parse(process.env));
}
