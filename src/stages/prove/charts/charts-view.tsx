import { Button, NativeSelect } from '@chakra-ui/react';
import { useDndMonitor } from '@dnd-kit/core';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { newId } from '@/core/brand/document/identity';
import type { Lack } from '@/core/data/category-colours';
import { fieldWith, pinCategory, type ChartField } from '@/core/data/chart-field';
import type { ChartColumns } from '@/core/data/read-data';
import { useBrand, useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { Choice } from '@/ui/dial';
import { draggedIn, underPointer } from '@/ui/dragged';
import { ExtendValues } from '@/ui/extend-values';
import { ByCategory } from '@/ui/charts/by-category';
import { ByAmount } from './by-amount';
import { GROUNDS, groundColours } from '@/ui/charts/ground';
import { Legend } from './legend';
import { categoryWord, useCategoryColours } from '@/ui/charts/use-category-colours';
import { useData } from '@/ui/charts/use-data';
import css from '@/ui/charts/charts.module.css';

/** Charts with data: what the palettes look like where they are used. */
export function ChartsView() {
  const { brand, untried, theme } = useBrand((state) => ({
    brand: state.brand,
    untried: state.replica.brand,
    theme: state.theme,
  }));
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const { data, hand, choose } = useData();
  const [show, setShow] = useState<'categories' | 'amounts'>('categories');
  const [from, setFrom] = useState<string | null>(null);
  const [lack, setLack] = useState<Lack>('repeats');
  const [ground, setGround] = useState<(typeof GROUNDS)[number]>('theme');
  const [extending, setExtending] = useState<ChartField | null>(null);
  const [over, setOver] = useState<string | null>(null);
  const [moved, setMoved] = useState<string | null>(null);
  const { sources, chosen, colours } = useCategoryColours(brand, theme, data, from, lack);
  /** Names of the data's own categories: what was put together of small ones is none. */
  const real = new Set(data?.sums.categories.flatMap(({ name, others }) => (others === undefined ? name : [])));
  /** The field with these categories in it, of the document as it is kept. */
  const prepared = () => {
    const field = untried.fields.find(({ id }) => id === chosen?.id);
    const palette = untried.palettes.find(({ id }) => id === chosen?.id);
    return fieldWith(untried, field ? { field } : { palette: palette! }, categoryWord(data), [...real], newId);
  };
  useDndMonitor({
    onDragMove: (event) =>
      setOver(draggedIn(event)?.what === 'swatch' ? (underPointer(event, '[data-category]')?.dataset.category ?? null) : null),
    onDragCancel: () => setOver(null),
    onDragEnd: (event) => {
      setOver(null);
      const dragged = draggedIn(event);
      const category =
        dragged?.what === 'swatch' && mayEdit ? underPointer(event, '[data-category]')?.dataset.category : undefined;
      if (!dragged || category === undefined || !real.has(category) || !chosen) return;
      const made = prepared();
      if (store.getState().run(pinCategory(made, category, dragged.id, newId))) setFrom(made.field.id);
    },
  });
  const {
    getRootProps,
    getInputProps,
    open: chooseFile,
    isDragActive,
  } = useDropzone({
    onDrop: ([file]) => void (file && hand(file)),
    multiple: false,
    noClick: true,
    noKeyboard: true,
  });
  const look = groundColours(brand, theme, ground);
  const bare = colours.filter(({ how }) => how === 'repeated' || how === 'filled in').length;
  return (
    <div {...getRootProps()} className={css.charts} data-dropping={isDragActive || undefined}>
      <input {...getInputProps()} data-testid="chart-data" />
      <div className={css.choices}>
        <Choice label="What has colours" plain options={['categories', 'amounts']} value={show} onChoose={setShow} />
        <Button size="xs" variant="outline" onClick={chooseFile}>
          {data?.name ?? 'Your own data…'}
        </Button>
        {data && <Columns data={data} onChoose={choose} />}
        <span>on</span>
        <Choice label="On" plain options={GROUNDS} value={ground} onChoose={setGround} />
      </div>
      {data?.shown.notes.map((note) => (
        <p key={note} className={css.note}>
          {note}
        </p>
      ))}
      {data && show === 'categories' && chosen && (
        <>
          <div className={css.choices}>
            <label>
              Colours of
              <NativeSelect.Root size="xs" width="190px">
                <NativeSelect.Field aria-label="Colours of" value={chosen.id} onChange={({ target }) => setFrom(target.value)}>
                  {sources.map(({ id, title }) => (
                    <option key={id} value={id}>
                      {title}
                    </option>
                  ))}
                </NativeSelect.Field>
                <NativeSelect.Indicator />
              </NativeSelect.Root>
            </label>
            {bare > 0 && (
              <>
                <p className={css.lack}>
                  △ {bare} of {colours.length} have no colour: a consumer
                </p>
                <Choice
                  label="What a consumer does without a colour"
                  plain
                  options={['repeats', 'fills in']}
                  value={lack}
                  onChoose={setLack}
                />
                <Button size="xs" disabled={!mayEdit} onClick={() => setExtending(prepared())}>
                  Extend to {colours.length}…
                </Button>
              </>
            )}
          </div>
          <div className={css.both}>
            <ByCategory sums={data.sums} colours={colours} {...look} over={over} />
            <Legend colours={colours} over={over} chosen={moved} onChoose={setMoved} />
          </div>
        </>
      )}
      {data && show === 'amounts' && <ByAmount sums={data.sums} {...look} />}
      {extending && (
        <ExtendValues
          extended={extending}
          onClose={() => {
            // Let go, there is no such field.
            if (store.getState().replica.brand.fields.some(({ id }) => id === extending.field.id)) setFrom(extending.field.id);
            setExtending(null);
          }}
        />
      )}
    </div>
  );
}

const PARTS = [
  ['category', 'Categories', ['words', 'dates', 'numbers']],
  ['value', 'Amount', ['numbers']],
  ['along', 'Along', ['dates', 'words', 'numbers']],
  ['against', 'Against', ['numbers']],
] as const;

/** Which column is which; as they were told, until somebody chooses otherwise. */
function Columns({
  data,
  onChoose,
}: {
  data: NonNullable<ReturnType<typeof useData>['data']>;
  onChoose: (columns: ChartColumns) => void;
}) {
  return PARTS.map(([key, words, kinds]) => (
    <label key={key}>
      {words}
      <NativeSelect.Root size="xs" width="104px">
        <NativeSelect.Field
          aria-label={words}
          value={data.columns[key] ?? ''}
          onChange={({ target }) => onChoose({ ...data.columns, [key]: target.value === '' ? null : Number(target.value) })}
        >
          <option value="">{key === 'value' ? 'how many' : 'none'}</option>
          {data.shown.columns.map(({ name, kind }, at) =>
            (kinds as readonly string[]).includes(kind) ? (
              <option key={name} value={at}>
                {name}
              </option>
            ) : null,
          )}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </label>
  ));
}
