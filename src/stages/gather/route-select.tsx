import { NativeSelect } from '@chakra-ui/react';
import type { Route } from '@/core/intake/bring-in';
import type { Palette } from '@/core/brand/document/palette-shape';

const VARIOUS = 'various';

interface Props {
  label: string;
  /** null when groups go different ways. */
  route: Route | null;
  /** What "a new palette" is called here. */
  fresh: string;
  /** Name for a new palette. */
  name: string;
  palettes: readonly Palette[];
  /** Whether the colours may also go into tokens alone. */
  withTokens: boolean;
  width: string;
  small?: boolean;
  onRoute: (route: Route) => void;
}

/** Where colours go: a new palette, the end of one that is there, in place of its colours, or into tokens alone. */
export function RouteSelect({ label, route, fresh, name, palettes, withTokens, width, small, onRoute }: Props) {
  const value = route === null ? VARIOUS : 'palette' in route ? `${route.to}:${route.palette}` : route.to;
  const choose = (chosen: string) => {
    const [to, palette] = chosen.split(':');
    if (to === 'tokens') onRoute({ to });
    else if (to === 'append' || to === 'replace') onRoute({ to, palette: palette! });
    else onRoute({ to: 'new', name });
  };
  return (
    <NativeSelect.Root size={small ? 'xs' : 'sm'} width={width}>
      <NativeSelect.Field aria-label={label} value={value} onChange={(event) => choose(event.target.value)}>
        {route === null && (
          <option value={VARIOUS} disabled>
            as the groups say
          </option>
        )}
        <option value="new">{fresh}</option>
        {withTokens && <option value="tokens">no palette, tokens alone</option>}
        {palettes.length > 0 && (
          <>
            <optgroup label="Add to the end of">
              {palettes.map((palette) => (
                <option key={palette.id} value={`append:${palette.id}`}>
                  {palette.name}
                </option>
              ))}
            </optgroup>
            <optgroup label="Put in place of the colours of">
              {palettes.map((palette) => (
                <option key={palette.id} value={`replace:${palette.id}`}>
                  replace {palette.name}
                </option>
              ))}
            </optgroup>
          </>
        )}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
