import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { bringIn, type Route } from '@/core/brand/bring-in';
import { PALETTE_KINDS, type Palette } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { useCatch } from '@/ui/catch-store';
import { RouteSelect } from './route-select';
import { Seam } from './seam';
import css from './gather.module.css';

const NO_TOKENS = '';
const ALL_THEMES = 'all';

/** Where the ticked lines go, what that would change, and the button that does it. */
export function SendCatch({ onSent }: { onSent: () => void }) {
  const { lines, ticked, names, routes, send, clear } = useCatch();
  const { brand, theme, run, choosePalette } = useBrand((state) => ({
    brand: state.replica.brand,
    theme: state.theme,
    run: state.run,
    choosePalette: state.choosePalette,
  }));
  const mayEdit = useMayEdit();
  const [kind, setKind] = useState<Palette['kind']>('loose');
  const [tokensIn, setTokensIn] = useState<string | null>(null);
  const hasTokens = lines.some(({ token }) => token);
  const themesOfTokens = tokensIn ?? (knownPaths() ? theme : ALL_THEMES);

  /** Tokens that are in the brand already get their values in the theme that is shown, unless the person says otherwise. */
  function knownPaths(): boolean {
    const paths = new Set(brand.tokens.map(({ path }) => path));
    return lines.some(({ token }) => token && paths.has(token.path));
  }

  const chosen = useMemo(() => {
    const taken = new Set(ticked);
    return lines.filter((line) => line.colour && taken.has(line.index));
  }, [lines, ticked]);
  const groups = useMemo(() => [...new Set(chosen.filter(({ token }) => !token?.alias).map(({ palette }) => palette))], [chosen]);
  const routeOf = (group: string): Route => routes[group] ?? { to: 'new', name: group || 'Gathered' };
  const whole =
    groups.length > 0 && new Set(groups.map((group) => keyOf(routeOf(group)))).size === 1 ? routeOf(groups[0]!) : null;
  const single = groups.length === 1 && whole?.to === 'new' ? whole : null;

  const plan = useMemo(() => {
    const nameOf = (line: (typeof chosen)[number]) => names[line.index]?.trim() || line.name;
    return bringIn(
      brand,
      {
        kind,
        themes:
          !hasTokens || themesOfTokens === NO_TOKENS
            ? null
            : themesOfTokens === ALL_THEMES
              ? brand.themes.map(({ id }) => id)
              : [themesOfTokens],
        groups: groups.map((group) => ({
          route: routes[group] ?? { to: 'new', name: group || 'Gathered' },
          swatches: chosen
            .filter((line) => line.palette === group && !line.token?.alias)
            .map((line) => ({ name: nameOf(line), value: line.css!, ...(line.token && { token: line.token }) })),
        })),
        aliases: chosen.flatMap(({ token, css: value }) =>
          token?.alias ? [{ ...token, alias: token.alias, value: value! }] : [],
        ),
      },
      newId,
    );
  }, [brand, kind, hasTokens, themesOfTokens, groups, chosen, names, routes]);

  const colours = chosen.filter(({ token }) => !token?.alias).length;
  const tokens = plan.tokens.added + plan.tokens.set;
  const bring = () => {
    if (!plan.command || !run(plan.command)) return;
    if (plan.palette) choosePalette(plan.palette);
    clear();
    onSent();
  };
  return (
    <form
      className={css.send}
      onSubmit={(event) => {
        event.preventDefault();
        bring();
      }}
    >
      <label>
        Send to
        <RouteSelect
          label="Send to"
          route={groups.length > 0 ? whole : { to: 'new', name: '' }}
          fresh={groups.length > 1 ? `${groups.length} new palettes` : 'a new palette'}
          name={groups.length === 1 ? groups[0]! : ''}
          palettes={brand.palettes}
          withTokens={hasTokens}
          width="184px"
          onRoute={(route) => groups.forEach((group) => send([group], route.to === 'new' ? { to: 'new', name: group } : route))}
        />
      </label>
      {single && (
        <label>
          Named
          <Input
            size="sm"
            width="150px"
            value={single.name}
            maxLength={120}
            onChange={(event) => send(groups, { to: 'new', name: event.target.value })}
          />
        </label>
      )}
      {groups.some((group) => routeOf(group).to === 'new') && (
        <label>
          Kind
          <NativeSelect.Root size="sm" width="120px">
            <NativeSelect.Field value={kind} onChange={(event) => setKind(event.target.value as Palette['kind'])}>
              {PALETTE_KINDS.map((one) => (
                <option key={one}>{one}</option>
              ))}
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
      )}
      {hasTokens && (
        <label>
          Tokens
          <NativeSelect.Root size="sm" width="150px">
            <NativeSelect.Field value={themesOfTokens} onChange={(event) => setTokensIn(event.target.value)}>
              <option value={ALL_THEMES}>in every theme</option>
              {brand.themes.map((one) => (
                <option key={one.id} value={one.id}>
                  in {one.name} only
                </option>
              ))}
              <option value={NO_TOKENS}>not as tokens</option>
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        </label>
      )}
      <Button size="sm" type="submit" disabled={!plan.command || !mayEdit}>
        Bring in {colours}
        {tokens > 0 && ` and ${tokens} ${tokens === 1 ? 'token' : 'tokens'}`}
      </Button>
      {(plan.tokens.set > 0 || plan.notes.length > 0) && (
        <ul className={css.notes}>
          {plan.tokens.set > 0 && (
            <li>
              {plan.tokens.set === 1 ? '1 token is' : `${plan.tokens.set} tokens are`} in the brand already and will get another
              value{plan.tokens.added > 0 && `; ${plan.tokens.added} are new`}.
            </li>
          )}
          {plan.notes.slice(0, 3).map((note) => (
            <li key={note}>{note}</li>
          ))}
          {plan.notes.length > 3 && <li>and {plan.notes.length - 3} more like this.</li>}
        </ul>
      )}
      {plan.seams.map(({ palette, rows }) => (
        <Seam key={palette.id} palette={palette} rows={rows} />
      ))}
    </form>
  );
}

function keyOf(route: Route): string {
  return 'palette' in route ? `${route.to} ${route.palette}` : route.to;
}
