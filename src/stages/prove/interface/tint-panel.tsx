import { Button, NativeSelect } from '@chakra-ui/react';
import { useMemo } from 'react';
import { componentTokens } from '@/core/brand/reading/component-tokens';
import { newId } from '@/core/brand/document/identity';
import { leastOnTints, mostReadable, TINTED, tintCommand, type TintGroup, type Tints } from '@/core/brand/tools/tint-tokens';
import { TEXT_RATIO } from '@/core/findings/contrast';
import { goodFor } from '@/core/findings/matrix';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Choice, Dial } from '@/ui/dial';
import { floor, GOOD } from '../contrast/good';
import css from './interface.module.css';

interface TintPanelProps {
  groups: readonly TintGroup[];
  group: TintGroup;
  onGroup: (place: number) => void;
  /** What is kept; null where rows are not tinted. */
  kept: Tints | null;
  tints: Tints;
  onTints: (tints: Tints | null) => void;
}

/** How much of an item's colour is in its row, what can be read on it then, and the tokens that this becomes. */
export function TintPanel({ groups, group, onGroup, kept, tints, onTints }: TintPanelProps) {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const { text } = componentTokens(brand);
  const { strength, tinted, surface } = tints;
  const isKept = kept !== null && kept.strength === strength && kept.tinted === tinted && kept.surface === surface;
  const least = text
    ? brand.themes.flatMap((theme) => {
        const found = leastOnTints(brand, theme.id, group, tints, text.id);
        return found ? [{ theme, ...found }] : [];
      })
    : [];
  const most = useMemo(() => {
    const set = componentTokens(brand).text;
    const themes = brand.themes.map(({ id }) => id);
    return set ? mostReadable(brand, themes, group, surface, set.id, TEXT_RATIO) : null;
  }, [brand, group, surface]);
  const keep = (next: Tints | null) => {
    const command = tintCommand(brand, group, next, text?.id, newId);
    if (!command || run(command)) onTints(null);
  };
  return (
    <section className={css.tints} aria-label="Tinted rows">
      <h2>Tinted rows</h2>
      <label>
        Colours of
        <NativeSelect.Root size="xs">
          <NativeSelect.Field
            aria-label="Rows of"
            value={groups.indexOf(group)}
            onChange={({ target }) => onGroup(Number(target.value))}
          >
            {groups.map(({ name }, place) => (
              <option key={place} value={place}>
                {name}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </label>
      <Choice
        label="What is tinted"
        plain
        options={TINTED}
        value={tinted}
        onChoose={(next) => onTints({ ...tints, tinted: next })}
      />
      <Dial
        label="Tint strength"
        shown={strength === 0 ? 'none' : strength === 1 ? 'full' : `${Math.round(strength * 100)} %`}
        value={strength}
        min={0}
        max={1}
        step={0.01}
        onMove={(next) => onTints({ ...tints, strength: next })}
      />
      {text && (
        <>
          <p>
            <code>{text.path}</code> on the tints, at least:
          </p>
          <ul>
            {least.map(({ theme, ratio, item }) => (
              <li key={theme.id} data-fails={ratio < TEXT_RATIO || undefined}>
                <span>{theme.name}</span>
                <code>{floor(ratio)}</code>
                <small>
                  <i aria-hidden>{GOOD[goodFor(ratio)].sign}</i> {GOOD[goodFor(ratio)].words}, on {item}
                </small>
              </li>
            ))}
          </ul>
          {most !== null && most !== strength && least.some(({ ratio }) => ratio < TEXT_RATIO) && (
            <Button size="xs" variant="outline" onClick={() => onTints({ ...tints, strength: most })}>
              {most === 0 ? 'None can be read tinted' : `Readable everywhere up to ${Math.round(most * 100)} %`}
            </Button>
          )}
        </>
      )}
      <div className={css.acts}>
        <Button size="xs" disabled={!mayEdit || isKept || strength === 0} onClick={() => keep(tints)}>
          {kept ? 'Change the tokens' : `Keep as ${group.items.length * (tinted === 'all' ? 2 : 1)} tokens`}
        </Button>
        {kept && (
          <Button size="xs" variant="outline" disabled={!mayEdit} onClick={() => keep(null)}>
            Take the tints away
          </Button>
        )}
      </div>
      <p className={css.why}>
        {isKept
          ? `Kept as ${group.path}.header…: they follow their colours in every theme and go to every destination.`
          : 'Kept, each is a token that follows its colour in every theme and goes to every destination.'}
      </p>
    </section>
  );
}
