import 'server-only';
import { getIronSession } from 'iron-session';
import { cookies } from 'next/headers';
import * as client from 'openid-client';
import { z } from 'zod';
import { LIMITS } from '@/core/brand/document/fields';
import { newId } from '@/core/brand/document/identity';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { environment } from '../http/environment';
import { log } from '../http/log';
import { onePerProcess } from '../database/one-per-process';
import { isSecure, ownOrigin } from '../http/origin';
import { Refused } from '../http/refused';

/** How long somebody may take at the provider, in seconds. */
const WAY_SECONDS = 600;
/** How long the provider may take to answer, in seconds. */
const ANSWER_SECONDS = 10;

const AWAY = 'Where your organisation signs people in cannot be reached just now; try again in a moment.';

/** What the provider is called, where one is set up; null where people sign in here alone. */
export function providerName(): string | null {
  const { BREAKWATER_OIDC_ISSUER, BREAKWATER_OIDC_CLIENT_ID, BREAKWATER_OIDC_NAME } = environment();
  return BREAKWATER_OIDC_ISSUER && BREAKWATER_OIDC_CLIENT_ID ? BREAKWATER_OIDC_NAME : null;
}

/** The provider as it describes itself (OpenID Connect Discovery 1.0), asked once and again only after it was away. */
async function provider(): Promise<client.Configuration> {
  const { BREAKWATER_OIDC_ISSUER: issuer, BREAKWATER_OIDC_CLIENT_ID: id, BREAKWATER_OIDC_CLIENT_SECRET: secret } = environment();
  if (!issuer || !id) throw new Refused(404, 'People sign in here with a password; no other way is set up.');
  const known = onePerProcess('provider', (): { found: Promise<client.Configuration> | null } => ({ found: null }));
  const options = {
    timeout: ANSWER_SECONDS,
    // The settings let only a provider on this machine be without TLS.
    ...(issuer.startsWith('http:') && { execute: [client.allowInsecureRequests] }),
  };
  known.found ??= client.discovery(new URL(issuer), id, secret, undefined, options);
  try {
    return await known.found;
  } catch (error) {
    known.found = null;
    log.warn({ error }, 'the provider of sign-in cannot be reached');
    throw new Refused(503, AWAY);
  }
}

/** What is remembered of somebody on the way to the provider and back, sealed in a cookie of its own. */
async function handshake() {
  const secure = isSecure();
  return getIronSession<{ state?: string; nonce?: string; verifier?: string }>(await cookies(), {
    cookieName: secure ? '__Host-breakwater-way' : 'breakwater-way',
    password: environment().BREAKWATER_SECRET,
    ttl: WAY_SECONDS,
    // Lax, for they come back from another site; it opens nothing.
    cookieOptions: { httpOnly: true, sameSite: 'lax', secure, path: '/' },
  });
}

const back = () => `${ownOrigin()}/api/sign-in/provider/back`;

/** Where somebody is sent to sign in: authorization code with PKCE (RFC 7636), state and nonce. */
export async function signInAddress(): Promise<URL> {
  const config = await provider();
  const session = await handshake();
  session.state = client.randomState();
  session.nonce = client.randomNonce();
  session.verifier = client.randomPKCECodeVerifier();
  await session.save();
  return client.buildAuthorizationUrl(config, {
    redirect_uri: back(),
    scope: 'openid profile email',
    state: session.state,
    nonce: session.nonce,
    code_challenge: await client.calculatePKCECodeChallenge(session.verifier),
    code_challenge_method: 'S256',
  });
}

const Claims = z.object({
  iss: z.string().max(500),
  sub: z.string().min(1).max(500),
  name: z.string().trim().min(1).max(LIMITS.name).optional().catch(undefined),
  email: z.email().max(200).optional().catch(undefined),
  email_verified: z.boolean().optional().catch(undefined),
});

/** Who comes back from the provider, once what they bring is proved. @param search of the address that they came back to */
export async function whoCameBack(search: string): Promise<PersonRow> {
  const config = await provider();
  const session = await handshake();
  const { state, nonce, verifier } = session;
  session.destroy();
  if (!state || !nonce || !verifier)
    throw new Refused(400, 'You did not set out from here, or it is too long ago; sign in once more.');
  let claims;
  try {
    const tokens = await client.authorizationCodeGrant(config, new URL(back() + search), {
      expectedState: state,
      expectedNonce: nonce,
      pkceCodeVerifier: verifier,
      idTokenExpected: true,
    });
    claims = Claims.parse(tokens.claims());
    // A provider may tell name and address only where it is asked for them.
    if (!claims.email || !claims.name)
      claims = { ...claims, ...claimsOf(await client.fetchUserInfo(config, tokens.access_token, claims.sub)) };
  } catch (error) {
    log.warn({ error }, 'what the provider of sign-in said could not be taken');
    throw new Refused(401, 'Your organisation did not let you in, or you turned back; sign in once more.');
  }
  return personOf(claims);
}

function claimsOf(info: client.UserInfoResponse): Partial<z.output<typeof Claims>> {
  const { name, email, email_verified } = Claims.partial().parse(info);
  return { ...(name && { name }), ...(email && { email }), ...(email_verified !== undefined && { email_verified }) };
}

/**
 * The person that a provider speaks of: who it has named before; else who has the address here, where the provider has seen to it that it
 * is theirs; else somebody new, who has no part in anything until they are invited.
 */
async function personOf({ iss: issuer, sub: subject, name, email, email_verified }: z.output<typeof Claims>): Promise<PersonRow> {
  const { sequelize, Identity, Person } = database();
  return sequelize.transaction(async (transaction) => {
    const known = await Identity.findOne({ where: { issuer, subject }, transaction });
    if (known) return (await Person.findByPk(known.personId, { transaction }))!;
    if (!email || !email_verified)
      throw new Refused(403, 'Your organisation does not say that your address is yours; ask whoever looks after it.');
    const address = email.toLowerCase();
    const person =
      (await Person.findOne({ where: { email: address, demo: false }, transaction })) ??
      (await Person.create(
        { id: newId(), name: name ?? address.split('@')[0]!, email: address, passwordHash: null, demo: false, preferences: {} },
        { transaction },
      ));
    await Identity.create({ issuer, subject, personId: person.id }, { transaction });
    return person;
  });
}
