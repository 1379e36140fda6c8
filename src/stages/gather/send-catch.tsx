import { Button, Input, NativeSelect } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { bringIn, type Route } from '@/core/brand/bring-in';
import { PALETTE_KINDS, type Palette, type PaletteSource } from '@/core/brand/document';
import { newId } from '@/core/brand/identity';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { useCatch, type CatchLine } from '@/ui/catch-store';
import { RouteSelect } from './route-select';
import { Seam } from './seam';
import css from './gather.module.css';

const NO_TOKENS = '';
const ALL_THEMES = 'all';
const VARIOUS = '';

interface Props {
  /** Keeps what is to be kept of the source before its colours go in. @returns the origins that only then are known */
  beforeSend: () => Promise<Readonly<Record<string, PaletteSource>>>;
  onSent: () => void;
}

/** Where the ticked lines go, what that would change, and the button that does it. */
export function SendCatch({ beforeSend, onSent }: Props) {
  const { lines, ticked, names, routes, origins, send, clear } = useCatch();
  const { brand, theme, run, choosePalette } = useBrand((state) => ({
    brand: state.replica.brand,
    theme: state.theme,
    run: state.run,
    choosePalette: state.choosePalette,
  }));
  const mayEdit = useMayEdit();
  const [chosenKind, setKind] = useState<Palette['kind'] | null>(null);
  const [sending, setSending] = useState(false);
  const [tokensIn, setTokensIn] = useState<string | null>(null);
  const hasTokens = lines.some(({ token }) => token);
  const themesOfTokens = tokensIn ?? (knownPaths() ? theme : ALL_THEMES);

  /** Tokens that are in the brand already get their values in the theme that is shown, unless the person says otherwise. */
  function knownPaths(): boolean {
    const paths = new Set(brand.tokens.map(({ path }) => path));
    return lines.some(({ token }) => token && paths.has(token.path));
  }

  /** Ticked lines by their group, and the ticked aliases, which have none. */
  const { chosen, aliases } = useMemo(() => {
    const taken = new Set(ticked);
    const byGroup = new Map<string, CatchLine[]>();
    const pointing: CatchLine[] = [];
    for (const line of lines) {
      if (!line.colour || !taken.has(line.index)) continue;
      if (line.token?.alias) pointing.push(line);
      else if (!byGroup.get(line.palette)?.push(line)) byGroup.set(line.palette, [line]);
    }
    return { chosen: byGroup, aliases: pointing };
  }, [lines, ticked]);
  const groups = [...chosen.keys()];
  const routeOf = (group: string): Route => routes[group] ?? { to: 'new', name: group || 'Gathered' };
  const whole =
    groups.length > 0 && new Set(groups.map((group) => keyOf(routeOf(group)))).size === 1 ? routeOf(groups[0]!) : null;
  const single = groups.length === 1 && whole?.to === 'new' ? whole : null;

  const kinds = [...new Set(groups.map(kindOf))];
  function kindOf(group: string): Palette['kind'] {
    return chosenKind ?? chosen.get(group)![0]!.kind;
  }
  const themes =
    !hasTokens || themesOfTokens === NO_TOKENS
      ? null
      : themesOfTokens === ALL_THEMES
        ? brand.themes.map(({ id }) => id)
        : [themesOfTokens];
  const planned = (sources: Readonly<Record<string, PaletteSource>>) =>
    bringIn(
      brand,
      {
        themes,
        groups: groups.map((group) => ({
          route: routeOf(group),
          kind: kindOf(group),
          ...(sources[group] && { source: sources[group] }),
          swatches: chosen.get(group)!.map(({ index, name, css: value, token }) => ({
            name: names[index]?.trim() || name,
            value: value!,
            ...(token && { token }),
          })),
        })),
        aliases: aliases.map(({ token, css: value }) => ({ ...token!, alias: token!.alias!, value: value! })),
      },
      newId,
    );
  const plan = planned(origins);
  const colours = [...chosen.values()].reduce((sum, group) => sum + group.length, 0);
  const tokens = plan.tokens.added + plan.tokens.set;
  const bring = async () => {
    setSending(true);
    const { command, palette } = planned({ ...origins, ...(await beforeSend()) });
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
          name={groups.length === 1 ? groups[0]! : ''}
          palettes={brand.palettes}
          withTokens={hasTokens}
          width="164px"
          onRoute={(route) => groups.forEach((group) => send([group], route.to === 'new' ? { to: 'new', name: group } : route))}
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
            onChange={(event) => send(groups, { to: 'new', name: event.target.value })}
          />
        </label>
      )}
      {groups.some((group) => routeOf(group).to === 'new') && (
        <label>
          Kind
          <NativeSelect.Root size="sm" width="116px">
            <NativeSelect.Field
              value={kinds.length === 1 ? kinds[0] : VARIOUS}
              onChange={(event) => setKind(event.target.value as Palette['kind'])}
            >
              {kinds.length > 1 && <option value={VARIOUS}>as read</option>}
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
          <NativeSelect.Root size="sm" width="140px">
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
      <Button size="sm" type="submit" disabled={!plan.command || !mayEdit} loading={sending}>
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
