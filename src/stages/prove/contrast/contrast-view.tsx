import { useMemo, useState, type KeyboardEvent } from 'react';
import { contrastMatrix, type Good, type Matrix } from '@/core/findings/matrix';
import { useBrand } from '@/ui/store/brand-context';
import { Choice } from '@/ui/dial';
import { Empty } from '@/ui/empty';
import { StageLink } from '@/ui/stage-link';
import { Button } from '@chakra-ui/react';
import { floor, GOOD } from './good';
import { Specimen } from './specimen';
import css from './contrast.module.css';

/** More than these are no table that anybody reads; filter by kind, or name fewer. */
const MOST = { rows: 160, grounds: 40 } as const;

/** What is to be seen, down, against what it is seen on, across, in the theme in view. */
export function ContrastView() {
  const { brand, theme: themeId } = useBrand((state) => ({ brand: state.brand, theme: state.theme }));
  const theme = brand.themes.find(({ id }) => id === themeId) ?? brand.themes[0]!;
  const [kind, setKind] = useState<'text' | 'graphics'>('text');
  const [chosen, setChosen] = useState<{ readonly seen: string; readonly ground: string } | null>(null);
  const matrix = useMemo(() => contrastMatrix(brand, theme), [brand, theme]);
  const rows = matrix.rows.filter((row) => (row.kind === 'text') === (kind === 'text')).slice(0, MOST.rows);
  if (matrix.rows.length === 0 || matrix.grounds.length === 0) {
    return (
      <Empty
        title="Contrast is proved here"
        act={
          <Button asChild size="sm">
            <StageLink stage="name">Name a text and a surface</StageLink>
          </Button>
        }
      >
        There is nothing to measure yet. It takes a token with the role text and one with the role surface; every pair is then
        measured in every theme.
      </Empty>
    );
  }
  const columns = groundsFor({ ...matrix, rows });
  const row = rows.find(({ token }) => token.id === chosen?.seen);
  const ground = matrix.grounds.find(({ token }) => token.id === chosen?.ground);
  return (
    <div className={css.contrast}>
      <div className={css.choices}>
        <Choice label="What is seen" plain options={['text', 'graphics']} value={kind} onChoose={setKind} />
        <ul className={css.legend} aria-label="What a contrast is good for">
          {(Object.keys(GOOD) as Good[]).map((good) => (
            <li key={good}>
              <i aria-hidden>{GOOD[good].sign}</i> {GOOD[good].words}
            </li>
          ))}
          <li>
            <b className={css.boxed}>4.50</b> meant for each other
          </li>
          <li>
            <b className={css.failing}>4.49</b> meant, and falls short
          </li>
        </ul>
      </div>
      <div className={css.both}>
        <div className={css.scroll} tabIndex={0} role="region" aria-label={`Contrast in ${theme.name}`}>
          <table className={css.matrix} onKeyDown={moveFocus}>
            <thead>
              <tr>
                <td />
                {columns.map((at) => (
                  <th key={matrix.grounds[at]!.token.id} scope="col">
                    <span>{matrix.grounds[at]!.token.path}</span>
                    <i style={{ background: matrix.grounds[at]!.colour.hex }} />
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ token, colour, cells }, r) => (
                <tr key={token.id}>
                  <th scope="row">
                    <i style={{ background: colour.hex }} />
                    {token.path}
                  </th>
                  {columns.map((at, c) => {
                    const { ratio, good, meant, fails } = cells[at]!;
                    const under = matrix.grounds[at]!;
                    const isChosen = chosen?.seen === token.id && chosen.ground === under.token.id;
                    return (
                      <td key={under.token.id}>
                        <button
                          data-pair={`${theme.name}/${token.path}/${under.token.path}`}
                          data-meant={meant || undefined}
                          data-fails={fails || undefined}
                          aria-pressed={isChosen}
                          aria-label={`${token.path} on ${under.token.path}: ${floor(ratio)} to 1, ${GOOD[good].words}${fails ? ', falls short' : ''}`}
                          tabIndex={(chosen ? isChosen : r === 0 && c === 0) ? 0 : -1}
                          onClick={() => setChosen({ seen: token.id, ground: under.token.id })}
                        >
                          <span aria-hidden>{GOOD[good].sign}</span>
                          {floor(ratio)}
                        </button>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
          <p className={css.told}>{matrixInWords(matrix)}</p>
        </div>
        {row && ground ? (
          <Specimen key={`${row.token.id} ${ground.token.id} ${theme.id}`} row={row} ground={ground.token} theme={theme} />
        ) : (
          <p className={css.hint}>Choose a cell to see the two in real sizes, and to move either until the line is passed.</p>
        )}
      </div>
    </div>
  );
}

/** What is measured, and what is left out. */
function matrixInWords({ rows, left }: Matrix): string {
  const texts = rows.filter(({ kind }) => kind === 'text').length;
  return [
    `Measured: ${texts} texts and ${rows.length - texts} graphics, each on what it is set on: the tokens it names, those its name says (on-…), or every surface.`,
    `Left out: ${left.neither} tokens that are neither seen on a ground nor a ground${left.colourless > 0 ? `, and ${left.colourless} without a colour` : ''}.`,
    rows.length > MOST.rows ? `Of each kind the first ${MOST.rows} are shown.` : '',
  ].join(' ');
}

/** Those that something here is meant for come first. */
function groundsFor({ grounds, rows }: Matrix): number[] {
  const meant = (at: number) => rows.some(({ cells }) => cells[at]!.meant);
  const all = grounds.map((_, at) => at);
  return [...all.filter(meant), ...all.filter((at) => !meant(at))].slice(0, MOST.grounds);
}

const MOVES: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Arrow keys go from cell to cell. */
function moveFocus(event: KeyboardEvent<HTMLTableElement>): void {
  const move = MOVES[event.key];
  const cell = (event.target as HTMLElement).closest('td');
  if (!move || !cell) return;
  const row = (cell.parentElement as HTMLTableRowElement).rowIndex + move[0];
  const next = event.currentTarget.rows[row]?.cells[cell.cellIndex + move[1]]?.querySelector('button');
  if (!next) return;
  event.preventDefault();
  next.focus();
}
