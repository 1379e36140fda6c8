import type { Command } from '@/core/brand/commands';
import type { Brand, Token, TokenValue } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { likelyRole } from '@/core/brand/token-role';

/** A new token with the same value in every theme. */
export function newToken(brand: Brand, path: string, value: TokenValue): { command: Command; id: string } {
  const token: Token = {
    id: newId(),
    path,
    role: likelyRole(path),
    description: '',
    on: [],
    values: Object.fromEntries(brand.themes.map((theme) => [theme.id, value])),
  };
  return { id: token.id, command: { label: `Name ${path}`, steps: [{ do: 'token.add', tokens: [token], before: null }] } };
}

export function setValue(token: Token, theme: string, value: TokenValue): Command {
  return { label: `Set ${token.path}`, steps: [{ do: 'token.set', id: token.id, set: { [theme]: value } }] };
}

export function deleteToken(token: Token): Command {
  return { label: `Delete ${token.path}`, steps: [{ do: 'token.remove', ids: [token.id] }] };
}

/** A new theme at the end, in which every token has the value it has in another. */
export function themeFrom(brand: Brand, source: string, id: string, name: string): Command {
  const values = Object.fromEntries(
    brand.tokens.flatMap((token) => (token.values[source] ? [[token.id, token.values[source]]] : [])),
  );
  return { label: `Add the theme ${name}`, steps: [{ do: 'theme.add', theme: { id, name }, before: null, values }] };
}
