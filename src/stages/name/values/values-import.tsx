import { NativeSelect, Table } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { assignments, mergedValues } from '@/core/brand/reading/data-fields';
import type { DataField } from '@/core/brand/document/data-shape';
import { likelyChoice, readValues, valueTable } from '@/core/brand/reading/value-table';
import { useBrand } from '@/ui/store/brand-context';
import { Tick } from '@/ui/tick';
import css from './values.module.css';
import { FormDialog } from '@/ui/form-dialog';

/** Rows of the file that are shown. */
const SHOWN = 8;
/** What was wrong that is told one by one. */
const TOLD = 3;

interface ValuesImportProps {
  readonly field: DataField;
  /** The file's name and text. */
  readonly file: { readonly name: string; readonly csv: string };
  readonly onTake: (values: DataField['values'], name: string | null) => void;
  readonly onClose: () => void;
}

/** A table before values are taken from it: which column, with or without a heading, and what would come of it. */
export function ValuesImport({ field, file, onTake, onClose }: ValuesImportProps) {
  const brand = useBrand((state) => state.replica.brand);
  const table = useMemo(() => valueTable(file.csv), [file.csv]);
  const [choice, setChoice] = useState(() => likelyChoice(brand, table));
  const read = useMemo(() => readValues(brand, table, choice), [brand, table, choice]);
  const merged = useMemo(() => mergedValues(field.values, read.values), [field.values, read.values]);
  const given = useMemo(() => assignments(brand, { ...field, values: merged }), [brand, field, merged]);
  const bare = given.filter(({ token }) => !token).length;
  const columns = Array.from({ length: table.width }, (_, column) => column);
  const titleOf = (column: number) => (choice.heading && table.rows[0]?.[column]?.trim()) || `Column ${column + 1}`;
  const role = (column: number) => (column === choice.values ? 'values' : column === choice.tokens ? 'tokens' : undefined);
  return (
    <FormDialog
      title={`Values of ${file.name}`}
      act={`Bring in ${read.values.length} ${read.values.length === 1 ? 'value' : 'values'}`}
      disabled={read.values.length === 0}
      size="lg"
      body={css.importing}
      onAct={() => onTake(merged, read.name)}
      onClose={onClose}
    >
      <div className={css.choices}>
        <Column
          words="Values are in"
          columns={columns.map((column) => [String(column), titleOf(column)])}
          chosen={String(choice.values)}
          onChoose={(column) => setChoice({ ...choice, values: Number(column) })}
        />
        <Column
          words="Pinned to the tokens in"
          columns={[
            [NONE, 'no column'],
            ...columns.filter((column) => column !== choice.values).map((column) => [String(column), titleOf(column)] as const),
          ]}
          chosen={choice.tokens === null ? NONE : String(choice.tokens)}
          onChoose={(column) => setChoice({ ...choice, tokens: column === NONE ? null : Number(column) })}
        />
        <Tick checked={choice.heading} onTick={(checked) => setChoice({ ...choice, heading: checked })}>
          The first line is a heading
        </Tick>
      </div>
      <Table.ScrollArea maxHeight="220px" borderWidth="1px">
        <Table.Root size="sm">
          <Table.Body>
            {table.rows.slice(0, SHOWN).map((row, at) => (
              <Table.Row key={at} data-heading={(choice.heading && at === 0) || undefined}>
                {columns.map((column) => (
                  <Table.Cell key={column} className={css.cell} data-role={role(column)}>
                    {row[column]}
                  </Table.Cell>
                ))}
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Table.ScrollArea>
      {table.rows.length > SHOWN && <p className={css.more}>and {table.rows.length - SHOWN} more lines</p>}
      <p role="status">
        <b>{read.values.length} different values</b>
        {bare > 0
          ? `; ${field.group} has too few colours: ${bare} of ${given.length} would have none.`
          : `; all ${given.length} have a colour of their own in ${field.group}.`}
      </p>
      {read.problems.slice(0, TOLD).map((problem) => (
        <p key={problem}>{problem}</p>
      ))}
      {read.problems.length > TOLD && <p>And {read.problems.length - TOLD} more lines.</p>}
    </FormDialog>
  );
}

/** No number of a column. */
const NONE = '';

interface ColumnProps {
  readonly words: string;
  /** Each with its title. */
  readonly columns: readonly (readonly [column: string, title: string])[];
  readonly chosen: string;
  readonly onChoose: (column: string) => void;
}

function Column({ words, columns, chosen, onChoose }: ColumnProps) {
  return (
    <label>
      {words}
      <NativeSelect.Root size="xs">
        <NativeSelect.Field value={chosen} onChange={({ target }) => onChoose(target.value)}>
          {columns.map(([column, title]) => (
            <option key={column} value={column}>
              {title}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </label>
  );
}
