import type { Art, ColourTable } from '@/core/brand/document/art-shape';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Choice } from './choice';
import { useArtEdits } from './use-art-edits';
import css from './art.module.css';

const DITHER_WORDS = { none: 'None', ordered: 'Ordered', diffusion: 'Diffused' } as const;

/** How the colours of a piece of art are chosen: into which palette, how many, and what becomes transparent. */
export function ArtSettings({ art }: { art: Art }) {
  const { palettes, others } = useBrand((state) => ({
    palettes: state.replica.brand.palettes,
    others: state.replica.brand.art,
  }));
  const mayEdit = useMayEdit();
  const { edit, setTable } = useArtEdits(art);
  return (
    <div className={css.settings}>
      <label>
        Into
        <Choice
          label="Palette"
          width="160px"
          value={art.table.palette}
          disabled={!mayEdit}
          onChange={(palette) => setTable({ palette }, 'Choose the palette of the art')}
          options={palettes.map((palette) => [palette.id, `${palette.name} (${palette.swatches.length})`])}
        />
      </label>
      <label>
        At most
        <CommitInput
          label="Most colours that are used"
          value={art.table.limit === undefined ? '' : String(art.table.limit)}
          placeholder="all"
          disabled={!mayEdit}
          onCommit={(text) => {
            const table = without(art.table, 'limit');
            if (text.trim() === '') return edit({ table }, 'Use all colours');
            const limit = Number(text);
            if (Number.isInteger(limit) && limit > 0) return edit({ table: { ...table, limit } }, `Use ${limit} colours`);
            tell('Write a whole number of colours, such as 16, or nothing for all.');
            return false;
          }}
        />
      </label>
      <label>
        Dithering
        <Choice
          label="Dithering"
          width="110px"
          value={art.table.dither}
          disabled={!mayEdit}
          onChange={(dither) => setTable({ dither: dither as ColourTable['dither'] }, 'Choose the dithering')}
          options={Object.entries(DITHER_WORDS)}
        />
      </label>
      <label>
        Transparent
        <CommitInput
          label="Colour that becomes transparent"
          value={art.table.key ?? ''}
          placeholder="none"
          disabled={!mayEdit}
          onCommit={(text) => {
            const table = without(art.table, 'key');
            const key = text.trim().toLowerCase();
            if (key === '') return edit({ table }, 'No colour becomes transparent');
            if (/^#[0-9a-f]{6}$/.test(key)) return edit({ table: { ...table, key } }, `Make ${key} transparent`);
            tell('Write a colour of the picture, such as #ff00ff, or nothing for none.');
            return false;
          }}
        />
      </label>
      <label>
        <input
          type="checkbox"
          checked={art.table.keepOrder}
          disabled={!mayEdit}
          onChange={({ target }) => setTable({ keepOrder: target.checked }, 'Keep the order of lightness')}
        />
        keep dark below light
      </label>
      <label>
        <input
          type="checkbox"
          checked={art.indexed}
          disabled={!mayEdit}
          onChange={({ target }) => edit({ indexed: target.checked }, 'Choose the kind of PNG')}
        />
        indexed PNG
      </label>
      {others.length > 1 && (
        <label>
          Table of
          <Choice
            label="Take the table of other art"
            width="130px"
            value=""
            disabled={!mayEdit}
            onChange={(from) => edit({ table: others.find(({ id }) => id === from)!.table }, `Take the table of other art`)}
            options={[
              ['', 'this one'],
              ...others.filter(({ id }) => id !== art.id).map(({ id, path }): [string, string] => [id, path]),
            ]}
          />
        </label>
      )}
    </div>
  );
}

/** A table without one of the settings that it may lack. */
function without(table: ColourTable, setting: 'limit' | 'key'): ColourTable {
  return Object.fromEntries(Object.entries(table).filter(([key]) => key !== setting)) as ColourTable;
}
