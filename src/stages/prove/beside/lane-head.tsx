import { Button, CloseButton, NativeSelect } from '@chakra-ui/react';
import type { Command } from '@/core/brand/commands/commands';
import type { Brand } from '@/core/brand/document/document';
import type { ShelfPalette } from '@/core/shelf/shelf-palette';
import { greyFamilies, releaseNumber, type Material, type Taking, type Wish } from './lanes';
import css from './beside.module.css';

interface LaneHeadProps {
  number: number;
  wish: Wish;
  material: Material;
  /** Numbers of the releases there are. */
  releases: readonly number[];
  base: Brand['palettes'][number] | undefined;
  onWish: (wish: Wish) => void;
  onRemove: (() => void) | null;
  /** null where there is nothing to take. */
  taking: Taking | null;
  onTake: (command: Command) => void;
}

/** What a lane shows, to be chosen anew, and taken where it is the better one. */
export function LaneHead({ number, wish, material, releases, base, onWish, onRemove, taking, onTake }: LaneHeadProps) {
  const choices = choicesOf(wish, material, base);
  const froms = [
    ['now', 'Now'],
    ...releases.map((each) => [`release ${each}`, `Release ${each}`] as const),
    ['shelf', 'The shelf'],
    ...(base ? [['greys', 'Other greys'] as const] : []),
  ] as const;
  const change = (from: string) => {
    const offered = choicesOf({ from, what: '' }, material, base).flatMap(({ options }) => options);
    // The same of another time, where there is such.
    const same = offered.find(({ value }) => value === wish.what) ?? offered[0];
    onWish({ from, what: same?.value ?? wish.what });
  };
  return (
    <div className={css.head}>
      <div className={css.from}>
        <NativeSelect.Root size="xs">
          <NativeSelect.Field
            aria-label={`Lane ${number} from`}
            value={wish.from}
            onChange={({ target }) => change(target.value)}
          >
            {froms.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        {onRemove && <CloseButton size="2xs" aria-label={`Take lane ${number} away`} onClick={onRemove} />}
      </div>
      <NativeSelect.Root size="xs" className={css.what}>
        <NativeSelect.Field
          aria-label={`Lane ${number} shows`}
          value={wish.what}
          onChange={({ target }) => onWish({ ...wish, what: target.value })}
        >
          {choices.map(({ title, options }) => (
            <optgroup key={title} label={title}>
              {options.map(({ value, words }) => (
                <option key={value} value={value}>
                  {words}
                </option>
              ))}
            </optgroup>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      {taking && (
        <Button size="xs" variant="outline" onClick={() => onTake(taking.command)}>
          Take into {taking.into}
        </Button>
      )}
    </div>
  );
}

interface Choices {
  readonly title: string;
  readonly options: readonly { readonly value: string; readonly words: string }[];
}

function choicesOf(wish: Wish, { brand, releases, shelf }: Material, base: LaneHeadProps['base']): Choices[] {
  if (wish.from === 'shelf') return byKind(shelf);
  if (wish.from === 'greys')
    return [
      {
        title: base?.name ?? '',
        options: greyFamilies(base).map(({ id, label }) => ({ value: id, words: `Greys ${label.toLowerCase()}` })),
      },
    ];
  const number = releaseNumber(wish);
  // Until a release has come its lists are taken to be those of today.
  const { themes, palettes } = (number === null ? null : releases.get(number)) ?? brand;
  return [
    { title: 'Themes', options: themes.map(({ id, name }) => ({ value: `theme ${id}`, words: name })) },
    { title: 'Palettes', options: palettes.map(({ id, name }) => ({ value: `palette ${id}`, words: name })) },
  ];
}

function byKind(shelf: readonly ShelfPalette[]): Choices[] {
  const kinds = [...new Set(shelf.map(({ kind }) => kind))];
  return kinds.map((kind) => ({
    title: kind,
    options: shelf.filter((each) => each.kind === kind).map(({ id, name }) => ({ value: id, words: name })),
  }));
}
