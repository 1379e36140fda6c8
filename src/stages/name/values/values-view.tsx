import { Button, Input } from '@chakra-ui/react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Pin } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { assignments, firstSeries, mergedValues } from '@/core/brand/reading/data-fields';
import type { DataField } from '@/core/brand/document/data-shape';
import { newId } from '@/core/brand/document/identity';
import { resolveTheme } from '@/core/brand/reading/resolve';
import { valueText } from '@/core/brand/reading/value-table';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { TokenField } from '@/ui/token-field/token-field';
import { ExtendValues } from '@/ui/extend-values';
import { ValuesImport } from './values-import';
import css from './values.module.css';

/** A longer list than this is not one of categories. */
const LARGEST_CSV = 1024 * 1024;
const ROW_HEIGHT = 36;
/** What a field is called until somebody says otherwise. */
const UNNAMED = 'New field';

/** Things in the data with the colour that each always has, field by field. */
export function ValuesView() {
  const { brand, run } = useBrand((state) => ({ brand: state.replica.brand, run: state.run }));
  const mayEdit = useMayEdit();
  const [chosen, setChosen] = useState<string | null>(null);
  const field = brand.fields.find(({ id }) => id === chosen) ?? brand.fields[0];
  const add = () => {
    const made: DataField = { id: newId(), name: UNNAMED, group: firstSeries(brand.tokens) || 'data', values: [] };
    if (run({ label: 'Add a field', steps: [{ do: 'field.add', field: made, before: null }] })) setChosen(made.id);
  };
  return (
    <div className={css.view}>
      <nav className={css.fields} aria-label="Fields">
        {brand.fields.map(({ id, name, values }) => (
          <button key={id} aria-current={id === field?.id || undefined} onClick={() => setChosen(id)}>
            <span>{name}</span>
            <b>{values.length}</b>
          </button>
        ))}
        {mayEdit && (
          <Button size="xs" variant="outline" onClick={add}>
            Add a field
          </Button>
        )}
      </nav>
      {field ? (
        <Field key={field.id} field={field} />
      ) : (
        <p className={css.none}>
          A field is a column of the data, such as the route. Bind its values to colours, and every chart shows the same thing in
          the same colour. Values that are not pinned take the next free colours of a group of tokens.
        </p>
      )}
    </div>
  );
}

function Field({ field }: { field: DataField }) {
  const { brand, theme, run } = useBrand((state) => ({ brand: state.replica.brand, theme: state.theme, run: state.run }));
  const mayEdit = useMayEdit();
  const given = useMemo(() => assignments(brand, field), [brand, field]);
  const resolved = resolveTheme(brand, theme);
  const bare = given.filter(({ token }) => !token).length;
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: given.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 6,
  });
  const edit = (label: string, set: Partial<Omit<DataField, 'id'>>) =>
    run({
      label,
      steps: [
        {
          do: 'field.edit',
          id: field.id,
          set,
          // Whoever else changed the list in between is not overwritten.
          was: Object.fromEntries(Object.keys(set).map((key) => [key, field[key as keyof typeof set]])),
        },
      ],
    });
  const pin = (at: number, token: string | undefined) => {
    const values = field.values.map((value, n) =>
      n !== at ? value : token === undefined ? { text: value.text } : { text: value.text, token },
    );
    edit(token === undefined ? `Unpin ${given[at]!.text}` : `Pin ${given[at]!.text}`, { values });
  };
  const [arrived, setArrived] = useState<{ name: string; csv: string } | null>(null);
  const [extending, setExtending] = useState(false);
  const take = (values: DataField['values'], name: string | null) => {
    // A field nobody has named takes its heading's name.
    const named = name !== null && field.name === UNNAMED;
    if (edit(`Bring values into ${named ? name : field.name}`, { values, ...(named && { name }) })) setArrived(null);
  };
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    disabled: !mayEdit,
    onDrop: ([file]) => {
      if (!file) return;
      if (file.size > LARGEST_CSV) return tell(`${file.name} is larger than 1 MB; a list of values is not.`);
      void file.text().then((csv) => setArrived({ name: file.name, csv }));
    },
  });
  const [typed, setTyped] = useState('');
  return (
    <section
      {...getRootProps({ role: 'region' })}
      className={css.field}
      data-drop={isDragActive || undefined}
      aria-label={field.name}
    >
      <input {...getInputProps()} aria-label="CSV file" />
      <div className={css.head}>
        <label>
          Field
          <CommitInput
            value={field.name}
            disabled={!mayEdit}
            onCommit={(name) => edit(`Rename ${field.name} to ${name}`, { name })}
          />
        </label>
        <label>
          Colours from the group
          <CommitInput
            mono
            value={field.group}
            disabled={!mayEdit}
            onCommit={(group) => edit(`Take colours of ${field.name} from ${group}`, { group })}
          />
        </label>
        <div>
          <Button size="xs" variant="outline" disabled={!mayEdit} onClick={open}>
            Bring in CSV…
          </Button>
          <Button
            size="xs"
            variant="ghost"
            disabled={!mayEdit}
            onClick={() => run({ label: `Delete ${field.name}`, steps: [{ do: 'field.remove', id: field.id }] })}
          >
            Delete field
          </Button>
        </div>
      </div>
      <div className={css.said} data-short={bare > 0 || undefined}>
        {field.values.length === 0
          ? 'No values yet: drop a CSV file here, or type them below.'
          : bare > 0
            ? `△ ${bare} of ${given.length} values have no colour: ${field.group} has too few.`
            : `● All ${given.length} values have a colour of their own.`}
        {bare > 0 && mayEdit && (
          <Button size="2xs" onClick={() => setExtending(true)}>
            Extend to {given.length}…
          </Button>
        )}
      </div>
      {arrived && <ValuesImport field={field} file={arrived} onTake={take} onClose={() => setArrived(null)} />}
      {extending && <ExtendValues extended={{ field, brand, steps: [] }} onClose={() => setExtending(false)} />}
      <div ref={scroller} className={css.values} role="list" aria-label={`Values of ${field.name}`}>
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map(({ index, start }) => {
            const { text, token, pinned } = given[index]!;
            const hex = token && resolved.get(token.id)?.colour?.hex;
            return (
              <div key={text} role="listitem" className={css.value} style={{ top: start }} data-value={text} data-pinned={pinned}>
                {hex ? <i style={{ background: hex }} /> : <i className={css.missing} />}
                <span>{text}</span>
                <div>
                  <TokenField
                    label={`Token of ${text}`}
                    value={token?.id}
                    disabled={!mayEdit}
                    onChoose={(id) => pin(index, id)}
                  />
                </div>
                <Button
                  size="2xs"
                  variant={pinned ? 'solid' : 'outline'}
                  aria-pressed={pinned}
                  disabled={!mayEdit || !token}
                  onClick={() => pin(index, pinned ? undefined : token!.id)}
                >
                  <Pin size={11} /> {pinned ? 'Pinned' : 'Pin'}
                </Button>
                <Button
                  size="2xs"
                  variant="ghost"
                  aria-label={`Take ${text} away`}
                  disabled={!mayEdit}
                  onClick={() => edit(`Take ${text} away`, { values: field.values.filter((_, n) => n !== index) })}
                >
                  ×
                </Button>
              </div>
            );
          })}
        </div>
      </div>
      {mayEdit && (
        <form
          className={css.type}
          onSubmit={(event) => {
            event.preventDefault();
            const text = valueText(typed);
            if (text === '') return;
            edit(`Add ${text} to ${field.name}`, { values: mergedValues(field.values, [{ text }]) });
            setTyped('');
          }}
        >
          <Input
            size="xs"
            aria-label="New value"
            placeholder="A value, as the data spells it"
            value={typed}
            maxLength={120}
            onChange={({ target }) => setTyped(target.value)}
          />
          <Button size="xs" type="submit" variant="outline">
            Add value
          </Button>
        </form>
      )}
    </section>
  );
}
