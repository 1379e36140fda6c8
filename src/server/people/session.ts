import 'server-only';
import { getIronSession } from 'iron-session';
import { cookies } from 'next/headers';
import { Op } from 'sequelize';
import { newId } from '@/core/brand/document/identity';
import { database } from '../database/database';
import type { PersonRow } from '../database/rows';
import { environment } from '../http/environment';
import { isSecure } from '../http/origin';
import { noteSender } from '../http/request-log';

const LIFETIME_DAYS = 30;

async function cookie() {
  const secure = isSecure();
  return getIronSession<{ id?: string }>(await cookies(), {
    // With this beginning no other name of the domain, and nothing without TLS, can set it (RFC 6265bis, section 4.1.3.2).
    cookieName: secure ? '__Host-breakwater' : 'breakwater',
    password: environment().BREAKWATER_SECRET,
    ttl: LIFETIME_DAYS * 86_400,
    cookieOptions: { httpOnly: true, sameSite: 'strict', secure, path: '/' },
  });
}

/** Opens a session for a person who has proved who they are. An earlier session of the same browser ends. */
export async function signIn(personId: string): Promise<void> {
  await signOut();
  const { Session } = database();
  await Session.destroy({ where: { expiresAt: { [Op.lt]: new Date() } } });
  const id = newId() + newId();
  await Session.create({ id, personId, expiresAt: new Date(Date.now() + LIFETIME_DAYS * 86_400_000) });
  const session = await cookie();
  session.id = id;
  await session.save();
}

/** Ends the session on the server as well, so that a copied cookie is worth nothing. */
export async function signOut(): Promise<void> {
  const session = await cookie();
  if (session.id) await database().Session.destroy({ where: { id: session.id } });
  session.destroy();
}

/** Id of the session that this request came in; empty when there is none. */
export async function currentSession(): Promise<string> {
  return (await cookie()).id ?? '';
}

/** Why nobody is signed in, in a sentence. */
export async function whyNobody(): Promise<string> {
  const { id } = await cookie();
  if (!id) return 'You are not signed in; sign in and try again.';
  const ended = await database().Session.count({ where: { id } });
  return ended > 0
    ? 'Your session has come to its end; sign in again.'
    : 'You were signed out, here or elsewhere; sign in again.';
}

/** Who sent this request; null when nobody is signed in. */
export async function currentPerson(): Promise<PersonRow | null> {
  const { id } = await cookie();
  if (!id) return null;
  const { Session, Person } = database();
  const session = await Session.findOne({ where: { id, expiresAt: { [Op.gt]: new Date() } } });
  if (session) noteSender(session.personId);
  return session && (await Person.findByPk(session.personId));
}
