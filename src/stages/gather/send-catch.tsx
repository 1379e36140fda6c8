import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useState } from 'react';
import type { Route } from '@/core/intake/bring-in';
import { PALETTE_KINDS, type Palette } from '@/core/brand/document/palette-shape';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { useCatch } from '@/ui/store/catch-store';
import { keepPicture } from './keep-picture';
import { RouteSelect } from './route-select';
import { Replacement } from './replacement';
import { ALL_THEMES, NO_TOKENS, useBringIn, type TokensIn } from './use-bring-in';
import css from './gather.module.css';

const VARIOUS = '';

/** Where the ticked lines go, what that would change, and the button that does it. */
export function SendCatch({ onSent }: { onSent: () => void }) {
  const { send, clear } = useCatch.getState();
  const { run, choosePalette } = useBrand((state) => ({ run: state.run, choosePalette: state.choosePalette }));
  const mayEdit = useMayEdit();
  const [chosenKind, setKind] = useState<Palette['kind'] | null>(null);
  const [tokensIn, setTokensIn] = useState<TokensIn | null>(null);
  const [sending, setSending] = useState(false);
  const { brand, groups, hasTokens, themes, colours, preview, planned } = useBringIn(chosenKind, tokensIn);
  const routes = new Set(groups.map(({ route }) => routeKey(route)));
  const whole = routes.size === 1 ? groups[0]!.route : null;
  const single = groups.length === 1 && whole?.to === 'new' ? whole : null;
  const kinds = [...new Set(groups.map(({ kind }) => kind))];
  const names = groups.map(({ name }) => name);
  const tokens = preview.tokens.added + preview.tokens.set;
  const bring = async () => {
    setSending(true);
    const { command, palette } = planned(await keepPicture(brand.id));
    setSending(false);
    if (!command || !run(command)) return;
    if (palette) choosePalette(palette);
    clear();
    onSent();
  };
  return (
    <form
      className={css.send}
      onSubmit={(event) => {
        event.preventDefault();
        void bring();
      }}
    >
      <label>
        Send to
        <RouteSelect
          label="Send to"
          route={groups.length > 0 ? whole : { to: 'new', name: '' }}
          fresh={groups.length > 1 ? `${groups.length} new palettes` : 'a new palette'}
          name={groups.length === 1 ? names[0]! : ''}
          palettes={brand.palettes}
          withTokens={hasTokens}
          width="164px"
          onRoute={(route) => names.forEach((name) => send(name, route.to === 'new' ? { to: 'new', name } : route))}
        />
      </label>
      {single && (
        <label>
          Named
          <Input
            size="sm"
            width="130px"
            value={single.name}
            maxLength={120}
            onChange={(event) => send(names[0]!, { to: 'new', name: event.target.value })}
          />
        </label>
      )}
      {groups.some(({ route }) => route.to === 'new') && (
        <label>
          Kind
          <NativeSelect.Root size="sm" width="116px">
            <NativeSelect.Field
              value={kinds.length === 1 ? kinds[0] : VARIOUS}
              onChange={(event) => setKind(event.target.value as Palette['kind'])}
            >
              {kinds.length > 1 && <option value={VARIOUS}>as read</option>}
              {PALETTE_KINDS.map((kind) => (
                <option key={kind}>{kind}</option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
      )}
      {hasTokens && (
        <label>
          Tokens
          <NativeSelect.Root size="sm" width="140px">
            <NativeSelect.Field value={themes} onChange={(event) => setTokensIn(event.target.value)}>
              <option value={ALL_THEMES}>in every theme</option>
              {brand.themes.map((theme) => (
                <option key={theme.id} value={theme.id}>
                  in {theme.name} only
                </option>
              ))}
              <option value={NO_TOKENS}>not as tokens</option>
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
      )}
      <Button size="sm" type="submit" disabled={!preview.command || !mayEdit} loading={sending}>
        Bring in {colours}
        {tokens > 0 && ` ${colours === 1 ? 'colour' : 'colours'} and ${tokens} ${tokens === 1 ? 'token' : 'tokens'}`}
      </Button>
      {(preview.tokens.set > 0 || preview.notes.length > 0) && (
        <ul className={css.notes}>
          {preview.tokens.set > 0 && (
            <li>
              {preview.tokens.set === 1 ? '1 token is' : `${preview.tokens.set} tokens are`} in the brand already and will get
              another value{preview.tokens.added > 0 && `; ${preview.tokens.added} are new`}.
            </li>
          )}
          {preview.notes.slice(0, 3).map((note) => (
            <li key={note}>{note}</li>
          ))}
          {preview.notes.length > 3 && <li>and {preview.notes.length - 3} more like this.</li>}
        </ul>
      )}
      {preview.replacements.map(({ palette, rows }) => (
        <Replacement key={palette.id} palette={palette} rows={rows} />
      ))}
    </form>
  );
}

function routeKey(route: Route): string {
  return 'palette' in route ? `${route.to} ${route.palette}` : route.to;
}
