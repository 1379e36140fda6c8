import { ChevronDown, ChevronRight, Plus } from 'lucide-react';
import { memo, type MouseEvent } from 'react';
import type { Theme } from '@/core/brand/document/theme-shape';
import type { Token } from '@/core/brand/document/token-shape';
import { trailOf, type Resolved } from '@/core/brand/reading/resolve';
import { useBrandStore } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import { fold, PATH, useTable } from './table-state';
import { rename, setValue } from './token-edits';
import { roleWord, type TreeRow } from './tree-rows';
import { ValuePicker } from '@/ui/token-field/value-picker';
import css from './tokens.module.css';

/** What a row asks of the table. */
export interface RowActs {
  readonly choose: (row: string, column: string, mode: 'only' | 'toggle' | 'range') => void;
  readonly edit: (row: string, column: string) => void;
  readonly endEdit: () => void;
  readonly addTo: (group: string) => void;
}

/** What a row is told of the table: subscriptions of their own would make rows costly to scroll in. */
interface RowState {
  readonly acts: RowActs;
  /** The column of the active cell where it is in this row. */
  readonly activeColumn: string | null;
  /** Whether that cell is a field. */
  readonly editing: boolean;
}

interface GroupRowProps extends RowState {
  row: Extract<TreeRow, { group: string }>;
  mayEdit: boolean;
}

export const GroupRow = memo(
  function GroupRow({ row: { group, label, depth, count, folded }, acts, activeColumn, editing, mayEdit }: GroupRowProps) {
    const active = activeColumn !== null;
    return (
      <div role="gridcell" id={cellId(group, PATH)} className={css.group} data-active={active || undefined} style={indent(depth)}>
        <button
          tabIndex={-1}
          className={css.foldButton}
          aria-label={`${folded ? 'Unfold' : 'Fold'} ${group}`}
          onClick={() => fold(group)}
        >
          {folded ? <ChevronRight size={14} /> : <ChevronDown size={14} />}
        </button>
        {editing ? (
          <PathField what="group" path={group} onEnd={acts.endEdit} />
        ) : (
          <button
            tabIndex={-1}
            className={css.groupName}
            title={`${group}: double-click to rename, drag onto another group to move`}
            data-grip={`group:${group}`}
            onClick={() => acts.choose(group, PATH, 'only')}
            onDoubleClick={() => acts.edit(group, PATH)}
          >
            {label}
          </button>
        )}
        <small>{count}</small>
        {mayEdit && (
          <button
            tabIndex={-1}
            className={css.addTo}
            aria-label={`New token in ${group}`}
            title={`New token in ${group}`}
            onClick={() => acts.addTo(group)}
          >
            <Plus size={13} />
          </button>
        )}
      </div>
    );
  },
  (one, two) =>
    sameState(one, two) &&
    one.mayEdit === two.mayEdit &&
    one.row.group === two.row.group &&
    one.row.count === two.row.count &&
    one.row.folded === two.row.folded &&
    one.row.depth === two.row.depth,
);

function sameState(one: RowState, two: RowState): boolean {
  return one.acts === two.acts && one.activeColumn === two.activeColumn && one.editing === two.editing;
}

interface TokenRowProps extends RowState {
  row: Extract<TreeRow, { token: Token }>;
  themes: readonly Theme[];
  /** What the token comes to in each theme. */
  resolved: readonly (Resolved | undefined)[];
}

export const TokenRow = memo(
  function TokenRow({ row: { token, label, depth }, themes, resolved, acts, activeColumn, editing }: TokenRowProps) {
    return (
      <>
        <PathCell
          token={token}
          label={label}
          depth={depth}
          acts={acts}
          active={activeColumn === PATH}
          editing={editing && activeColumn === PATH}
        />
        {themes.map((theme, at) => (
          <ValueCell
            key={theme.id}
            token={token}
            theme={theme}
            resolved={resolved[at]}
            acts={acts}
            active={activeColumn === theme.id}
            editing={editing && activeColumn === theme.id}
          />
        ))}
      </>
    );
  },
  (one, two) =>
    sameState(one, two) &&
    one.themes === two.themes &&
    one.row.token === two.row.token &&
    one.row.label === two.row.label &&
    one.row.depth === two.row.depth &&
    one.resolved.every((found, at) => found === two.resolved[at]),
);

interface PathCellProps {
  token: Token;
  label: string;
  depth: number;
  acts: RowActs;
  active: boolean;
  editing: boolean;
}

function PathCell({ token, label, depth, acts, active, editing }: PathCellProps) {
  return (
    <div
      role="rowheader"
      id={cellId(token.id, PATH)}
      className={css.path}
      data-active={active || undefined}
      data-deprecated={token.deprecated ? true : undefined}
      data-beside={token.id}
      style={indent(depth)}
      onClick={(event) => acts.choose(token.id, PATH, modeOf(event))}
      onDoubleClick={() => acts.edit(token.id, PATH)}
    >
      {editing ? (
        <PathField what="token" path={token.path} onEnd={acts.endEdit} />
      ) : (
        <>
          <i className={css.grip} data-grip={`token:${token.id}`} title={`Drag ${token.path} to another place, or onto a group`}>
            ⠿
          </i>
          <code title={token.path}>{label}</code>
          <small>{roleWord(token)}</small>
        </>
      )}
    </div>
  );
}

/** A field for the whole path, so that a token or group can be moved by typing as well. */
function PathField({ what, path, onEnd }: { what: 'token' | 'group'; path: string; onEnd: () => void }) {
  const store = useBrandStore();
  return (
    <span
      className={css.pathField}
      // A click into the field is not one on its cell.
      onClick={(event) => event.stopPropagation()}
      onDoubleClick={(event) => event.stopPropagation()}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape' || event.key === 'Enter') onEnd();
      }}
      onBlur={onEnd}
    >
      <CommitInput
        mono
        autoFocus
        label={`Path of ${path}`}
        value={path}
        onCommit={(to) => {
          const command = rename(store.getState().brand, what, path, to);
          if ('refusal' in command) tell(command.refusal);
          else return store.getState().run(command);
          return false;
        }}
      />
    </span>
  );
}

interface ValueCellProps {
  token: Token;
  theme: Theme;
  resolved: Resolved | undefined;
  acts: RowActs;
  active: boolean;
  editing: boolean;
}

/** A colour and where it comes from. A click chooses it, a second one or Enter makes it a field. */
const ValueCell = memo(function ValueCell({ token, theme, resolved, acts, active, editing }: ValueCellProps) {
  const label = `${token.path} in ${theme.name}`;
  if (editing) return <ValueField token={token} theme={theme} label={label} onEnd={acts.endEdit} />;
  const shown = resolved && describe(resolved, token, theme.id);
  return (
    <div
      role="gridcell"
      id={cellId(token.id, theme.id)}
      className={css.value}
      data-active={active || undefined}
      data-cell={`${token.id}/${theme.id}`}
      title={shown && titleOf(shown)}
      onClick={(event) => {
        const mode = modeOf(event);
        if (active && mode === 'only') acts.edit(token.id, theme.id);
        else acts.choose(token.id, theme.id, mode);
      }}
    >
      {shown?.hex ? <i style={{ background: shown.hex }} /> : <i className={css.missing} />}
      <span
        className={css.kind}
        role={shown?.kind ? 'img' : undefined}
        aria-label={shown?.kind ? SIGNS[shown.kind].words : undefined}
      >
        {shown?.kind && SIGNS[shown.kind].sign}
        {shown?.derived && SIGNS.derived.sign}
      </span>
      <span className={css.target}>{shown?.words ?? 'no colour'}</span>
    </div>
  );
});

function ValueField({ token, theme, label, onEnd }: { token: Token; theme: Theme; label: string; onEnd: () => void }) {
  const store = useBrandStore();
  return (
    <div role="gridcell" id={cellId(token.id, theme.id)} className={css.field}>
      <ValuePicker
        theme={theme.id}
        label={label}
        autoFocus
        onPick={(value) => {
          const { brand, run } = store.getState();
          const { chosen } = useTable.getState();
          const tokens = chosen.has(token.id) ? brand.tokens.filter(({ id }) => chosen.has(id)) : [token];
          run(setValue(tokens, theme.id, value));
          onEnd();
        }}
        onClose={onEnd}
      />
    </div>
  );
}

/** The signs before a value; the table's foot explains them. */
export const SIGNS = {
  swatch: { sign: '▪', words: 'swatch' },
  token: { sign: '→', words: 'another token' },
  own: { sign: '=', words: 'its own colour' },
  rule: { sign: '∿', words: 'by rule' },
  derived: { sign: '~', words: 'derived' },
} as const;

interface Described {
  readonly hex: string | undefined;
  /** What it is: a link to a swatch, to a token, a state by rule, or its own value; derived ones are marked. */
  readonly kind: keyof typeof SIGNS | null;
  readonly derived: boolean;
  readonly words: string;
  /** The way to the colour. */
  readonly trail: string;
}

function describe(resolved: Resolved, token: Token, theme: string): Described {
  const value = token.values[theme];
  const common = { hex: resolved.colour?.hex, derived: value?.derived === true };
  const way = trailOf(resolved, theme).slice(1).join(' → ');
  if (resolved.kept) return { ...common, kind: 'swatch', words: resolved.kept.swatch.name, trail: way };
  if (value && 'token' in value) return { ...common, kind: 'token', words: resolved.via?.token.path ?? 'gone', trail: way };
  if (value && 'colour' in value) return { ...common, kind: 'own', words: value.colour, trail: value.colour };
  const words = common.hex ?? 'no colour';
  if (token.rule) return { ...common, kind: 'rule', words, trail: `from ${resolved.via?.token.path ?? 'nothing'}, ${words}` };
  return { ...common, kind: null, words: 'no colour', trail: 'No colour yet' };
}

/** The kind of a value in words, with what it comes from. */
function titleOf({ kind, derived, trail: way }: Described): string {
  if (!kind) return way;
  return `${SIGNS[kind].words}${derived ? `, ${SIGNS.derived.words}` : ''}: ${way}`;
}

function modeOf(event: MouseEvent): 'only' | 'toggle' | 'range' {
  return event.shiftKey ? 'range' : event.ctrlKey || event.metaKey ? 'toggle' : 'only';
}

export function cellId(row: string, column: string): string {
  return `cell-${row}-${column}`;
}

function indent(depth: number): { paddingLeft: number } {
  return { paddingLeft: 4 + depth * 14 };
}
