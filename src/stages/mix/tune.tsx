import { memo } from 'react';
import type { Swatch } from '@/core/brand/document/palette-shape';
import { plainTitle } from '@/core/colour/plain-name';
import { readColour } from '@/core/colour/read';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { SwatchSliders } from '@/ui/swatch-sliders';
import { editSwatch } from './swatch-edits';
import css from './mix.module.css';

/** Name, value and OKLCH sliders of one swatch, given without the trial. */
export function Tune({ swatch }: { swatch: Swatch }) {
  const mayEdit = useMayEdit();
  return (
    <section className={css.tune} aria-label="Tune">
      <h2>Tune {swatch.name}</h2>
      <Fields swatch={swatch} mayEdit={mayEdit} />
      <SwatchSliders swatch={swatch} disabled={swatch.locked || !mayEdit} />
    </section>
  );
}

const Fields = memo(function Fields({ swatch, mayEdit }: { swatch: Swatch; mayEdit: boolean }) {
  const run = useBrand((state) => state.run);
  const suggested = plainTitle(readColour(swatch.value)!);
  const rename = (name: string) => run(editSwatch(swatch, `Rename ${swatch.name} to ${name}`, { name }));
  const commitValue = (value: string) => {
    if (readColour(value)) return run(editSwatch(swatch, `Set ${swatch.name} to ${value}`, { value }));
    const bare = readColour(`#${value}`);
    tell(
      bare
        ? `“${value}” lacks its #; type #${value}.`
        : `“${value}” is not a CSS colour. Try #1f6f78, teal or oklch(0.5 0.1 200).`,
    );
    return false;
  };
  return (
    <div className={css.fields}>
      <label>
        Name
        <CommitInput value={swatch.name} disabled={!mayEdit} onCommit={rename} />
      </label>
      {mayEdit && suggested.toLowerCase() !== swatch.name.toLowerCase() && (
        <button className={css.suggested} onClick={() => rename(suggested)}>
          Call it {suggested}
        </button>
      )}
      <label>
        Colour, as any CSS text
        <CommitInput value={swatch.value} disabled={swatch.locked || !mayEdit} mono onCommit={commitValue} />
      </label>
      {swatch.locked && <p>Locked: press L to change it.</p>}
    </div>
  );
});
