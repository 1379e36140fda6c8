import { createListCollection, Listbox } from '@chakra-ui/react';
import { useMemo } from 'react';
import type { Dress } from '@/core/brand/reading/component-tokens';
import type { Brand } from '@/core/brand/document/document';
import { tokensOf } from '@/core/brand/reading/resolve';
import { tintColour } from '@/core/brand/reading/tint-rule';
import type { TintGroup, Tints } from '@/core/brand/tools/tint-tokens';
import { partOf, sheetColours, type See } from './colours';
import css from './sheet.module.css';

interface GroupedListProps {
  brand: Brand;
  theme: string;
  see: See;
  group: TintGroup;
  tints: Tints | null;
  row: Dress | undefined;
}

const TIMES = ['07:40', '09:15', '16:30'] as const;

/** A long list with a header for each item that has a colour, its rows below it, tinted as asked for. Arrow keys go through it. */
export function GroupedList({ brand, theme, see, group, tints, row }: GroupedListProps) {
  const collection = useMemo(
    () =>
      createListCollection({
        items: group.items.flatMap(({ name }) => TIMES.map((time) => ({ value: `${name} ${time}`, label: time, group: name }))),
      }),
    [group],
  );
  const { css: hex, dress, colourOf } = sheetColours(brand, theme, see);
  const ground = tints ? colourOf(tokensOf(brand).get(tints.surface)) : null;
  return (
    <section className={css.list} aria-label="A long list" style={dress(row)}>
      <Listbox.Root collection={collection} unstyled>
        <Listbox.Label className={css.listHead}>{group.name}</Listbox.Label>
        <Listbox.Content className={css.scroll}>
          {group.items.map(({ name, token }) => {
            const colour = colourOf(token);
            const tint = tints && colour && ground ? see(tintColour(colour, ground, tints.strength)) : undefined;
            return (
              <Listbox.ItemGroup key={token.id} className={css.group}>
                <Listbox.ItemGroupLabel className={css.groupHead} style={{ background: tint }} data-rest={token.id} data-tint="">
                  <i style={{ background: hex(token) }} />
                  {name}
                </Listbox.ItemGroupLabel>
                {TIMES.map((time, at) => (
                  <Listbox.Item
                    key={time}
                    item={{ value: `${name} ${time}`, label: time, group: name }}
                    className={css.item}
                    {...(tints?.tinted === 'all' ? { 'data-rest': token.id, 'data-tint': '' } : partOf(row))}
                    style={tints?.tinted === 'all' ? { background: tint } : undefined}
                  >
                    <Listbox.ItemText>{time}</Listbox.ItemText>
                    <span>{['on time', 'filling', 'waiting'][at]}</span>
                  </Listbox.Item>
                ))}
              </Listbox.ItemGroup>
            );
          })}
        </Listbox.Content>
      </Listbox.Root>
    </section>
  );
}
