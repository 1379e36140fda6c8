import type { KeyboardEvent } from 'react';
import type { Theme } from '@/core/brand/document/theme-shape';
import { resolveTheme, tokensOf } from '@/core/brand/reading/resolve';
import { useBrandStore, useMayEdit } from '@/ui/store/brand-context';
import { isTyping } from '@/ui/keys/typing';
import { actsOnChosen } from './chosen-acts';
import { fold, PATH, useTable } from './table-state';
import type { RowActs } from './token-row';
import type { TreeRow } from './tree-rows';

/** What every key does in the table; a field in a cell keeps its own. */
export function useTableKeys(rows: readonly TreeRow[], themes: readonly Theme[], acts: RowActs, scrollTo: (row: number) => void) {
  const store = useBrandStore();
  const mayEdit = useMayEdit();
  const columns = [PATH, ...themes.map(({ id }) => id)];
  return (event: KeyboardEvent) => {
    if (isTyping(event.target)) return;
    const { active } = useTable.getState();
    const at = active ? rows.findIndex((row) => rowKey(row) === active.row) : -1;
    const row = rows[at];
    const column = active ? columns.indexOf(active.column) : 0;
    const go = (to: number, toColumn: number) => {
      const next = rows[Math.min(rows.length - 1, Math.max(0, to))];
      if (!next) return;
      // Over the head of a group the column is kept for the rows below it.
      const wanted = columns[Math.min(columns.length - 1, Math.max(0, toColumn))]!;
      acts.choose(rowKey(next), wanted, event.shiftKey && 'token' in next ? 'range' : 'only');
      scrollTo(rows.indexOf(next));
    };
    const isGroup = row !== undefined && 'group' in row;
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key;
    if (event.ctrlKey || event.metaKey) {
      const chosen = actsOnChosen(store, active?.column);
      if (key === 'd' && mayEdit) chosen.fillDown();
      else if (key === 'c') void copy();
      else if (key === 'a') useTable.setState({ chosen: new Set(rows.flatMap((row) => ('token' in row ? [row.token.id] : []))) });
      else return;
    } else if (event.altKey) {
      if (!mayEdit || (key !== 'ArrowUp' && key !== 'ArrowDown')) return;
      actsOnChosen(store, active?.column).nudge(key === 'ArrowUp' ? 'up' : 'down');
    } else if (key === 'ArrowDown') go(at + 1, column);
    else if (key === 'ArrowUp') go(at < 0 ? 0 : at - 1, column);
    else if (key === 'PageDown') go(at + 15, column);
    else if (key === 'PageUp') go(at - 15, column);
    else if (key === 'Home') go(0, column);
    else if (key === 'End') go(rows.length - 1, column);
    else if (key === 'ArrowRight') {
      if (isGroup) {
        if (row.folded) fold(row.group);
      } else go(at, column + 1);
    } else if (key === 'ArrowLeft') {
      if (isGroup) {
        if (!row.folded) fold(row.group);
      } else go(at, column - 1);
    } else if (key === 'Enter' || key === 'F2') {
      if (!row || !mayEdit) return;
      if (isGroup && key === 'Enter') fold(row.group);
      else acts.edit(rowKey(row), isGroup ? PATH : columns[column]!);
    } else if (mayEdit && ['u', 'l', 'Delete', 'Backspace'].includes(key)) {
      const chosen = actsOnChosen(store, active?.column);
      if (key === 'u') chosen.unlink();
      else if (key === 'l') chosen.link();
      else if (active?.column === PATH) chosen.remove();
      else chosen.clear();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  };

  /** The chosen cells as a column of codes; of paths where the column of paths is active. */
  async function copy(): Promise<void> {
    const { active, chosen } = useTable.getState();
    const { brand } = store.getState();
    if (!active) return;
    const tokens = brand.tokens.filter(({ id }) => chosen.has(id) && tokensOf(brand).has(id));
    const resolved = active.column === PATH ? null : resolveTheme(brand, active.column);
    await navigator.clipboard.writeText(
      tokens.map(({ id, path }) => (resolved ? (resolved.get(id)?.colour?.css ?? '') : path)).join('\n'),
    );
  }
}

function rowKey(row: TreeRow): string {
  return 'token' in row ? row.token.id : row.group;
}
