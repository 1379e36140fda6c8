import { Button, Input } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import type { Art } from '@/core/brand/document/art-shape';
import { useMayEdit } from '@/ui/store/brand-context';
import { Moving } from './moving';
import { useArtEdits } from './use-art-edits';
import css from './art.module.css';

interface Props {
  art: Art;
  pictures: readonly ImageBitmap[] | null;
  chosen: ReadonlySet<number>;
  onChoose: (tiles: ReadonlySet<number>) => void;
  /** Tiles that repeat others of their sheet, or are empty. */
  repeated: readonly number[];
}

/** Tiles that belong together: those that are chosen become a group, and each group is shown moving. */
export function Groups({ art, pictures, chosen, onChoose, repeated }: Props) {
  const mayEdit = useMayEdit();
  const { edit } = useArtEdits(art);
  const [name, setName] = useState('');
  const repeatedTiles = useMemo(() => new Set(repeated), [repeated]);
  const chosenRepeats = [...chosen].filter((tile) => repeatedTiles.has(tile));
  const group = () => {
    const groups = [
      ...art.groups,
      { name: name.trim() || `Group ${art.groups.length + 1}`, tiles: [...chosen].sort((one, two) => one - two) },
    ];
    if (edit({ groups }, `Put ${inTiles(chosen.size)} into a group`)) {
      onChoose(new Set());
      setName('');
    }
  };
  return (
    <>
      <form
        className={css.grouping}
        onSubmit={(event) => {
          event.preventDefault();
          if (chosen.size > 0) group();
        }}
      >
        <Input
          size="xs"
          aria-label="Name of the group"
          placeholder="Name of the group"
          value={name}
          maxLength={120}
          onChange={({ target }) => setName(target.value)}
        />
        <Button size="xs" type="submit" disabled={!mayEdit || chosen.size === 0}>
          {chosen.size === 0 ? 'Choose tiles to group' : `Group ${inTiles(chosen.size)}`}
        </Button>
        {chosenRepeats.length > 0 && (
          <Button
            size="xs"
            variant="outline"
            onClick={() => onChoose(new Set([...chosen].filter((tile) => !repeatedTiles.has(tile))))}
          >
            Leave out {chosenRepeats.length} that repeat or are empty
          </Button>
        )}
      </form>
      <ul className={css.groups} aria-label="Groups">
        {art.groups.map((each, at) => (
          <li key={at}>
            <Moving art={art} tiles={each.tiles} pictures={pictures} />
            <button onClick={() => onChoose(new Set(each.tiles))}>
              <b>{each.name}</b> <small>{inTiles(each.tiles.length)}</small>
            </button>
            <Button
              size="2xs"
              variant="ghost"
              disabled={!mayEdit}
              aria-label={`Take the group ${each.name} apart`}
              onClick={() => edit({ groups: art.groups.filter((_, other) => other !== at) }, `Take ${each.name} apart`)}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
    </>
  );
}

function inTiles(count: number): string {
  return `${count} tile${count === 1 ? '' : 's'}`;
}
